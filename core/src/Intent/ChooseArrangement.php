<?php

declare(strict_types=1);

namespace Hollin\Core\Intent;

use Hollin\Core\Components\Rig;
use Hollin\Core\Job\Field;
use Hollin\Core\Job\Problem;
use Hollin\Core\Job\SchemaCheck;
use Hollin\Core\Plan\Arrangements\Arrangement;
use Hollin\Core\Plan\Arrangements\Arrangements;
use Hollin\Core\Plan\Arrangements\NotPossible;
use Hollin\Core\Plan\Arrangements\Options;
use Hollin\Core\Plan\Arrangements\OwnNames;
use Hollin\Core\Plan\Planned;
use Hollin\Core\Plan\Refused;
use stdClass;

/** A plan's changes written by an arrangement; what was made by hand is kept. A title makes it another plan. */
final class ChooseArrangement implements Handler
{
    public static function kind(): string
    {
        return 'choose_arrangement';
    }

    public static function needs(): array
    {
        return ['plan', 'recipe', 'options'];
    }

    public static function right(): Right
    {
        return Right::Plan;
    }

    public function handle(Editing $on): Edit
    {
        $title = $on->text('title');
        $plan = $title === '' ? $on->plan() : AddPlan::begin($on, $on->text('plan'), $title);
        $recipe =
            Arrangements::named($on->text('recipe')) ??
            throw Refused::because(
                '/intent/recipe',
                'must be one of: ' .
                    implode(', ', array_keys([...Arrangements::all(), ...Arrangements::additions()])) .
                    '.',
            );
        $raw = $on->intent->raw()->options;
        if (!($raw instanceof stdClass)) {
            throw Refused::because('/intent/options', 'must be an object.');
        }
        $of = isset(Arrangements::additions()[$recipe::id()]) ? $recipe::id() : null;
        if ($on->intent->flag('drop')) {
            return self::drop($on, $plan, $recipe, $of);
        }
        $options = new Options($raw, $recipe::options());
        self::checkOptions($raw, $recipe);
        $kept = self::withoutOld($on, $plan, $of);
        try {
            // An addition looks at what the plan makes of the rig without it, an arrangement at the rig as found.
            $rig = Rig::from(
                $of === null ? $on->document->asFound->components : Planned::atLast($on->document, $on->text('plan')),
            );
            $changes = OwnNames::in((new $recipe())->changes($rig, $options), $rig);
        } catch (NotPossible $e) {
            throw Refused::because('/intent/recipe', $e->getMessage());
        }
        self::write($plan, $changes, $of);
        if ($of === null) {
            $plan->arrangement = (object) ['recipe' => $recipe::id(), 'options' => $raw];
        } else {
            $plan->additions ??= new stdClass();
            $plan->additions->{$of} = $raw;
        }

        return $on->done(
            'chose "' . $recipe::title() . '" for ' . $plan->title,
            ...array_map(fn(string $w): string => "Kept from before, made by hand: {$w}", $kept),
        );
    }

    /**
     * Takes out what an arrangement or addition had written before.
     *
     * @return list<string> what was made by hand and stays
     */
    private static function withoutOld(Editing $on, stdClass $plan, ?string $of): array
    {
        $kept = [];
        foreach (get_object_vars($plan->changes) as $id => $change) {
            if ($change->by === 'recipe' && ($change->of ?? null) === $of) {
                unset($plan->changes->{$id});
            } elseif ($change->by === 'hand' && $of === null) {
                unset($change->was);
                $kept[] = $on->describe($change);
            }
        }

        return $kept;
    }

    /** @param list<stdClass> $changes */
    private static function write(stdClass $plan, array $changes, ?string $of): void
    {
        $stage = (string) array_key_first(Planned::inOrder($plan->stages));
        $order =
            $of === null
                ? 0
                : max([
                    0,
                    ...array_map(fn(stdClass $c): int => (int) ($c->order ?? 0), get_object_vars($plan->changes)),
                ]);
        foreach ($changes as $change) {
            $id = Editing::changeId($change);
            if (($plan->changes->{$id}->by ?? '') === 'hand') {
                if (isset($change->value)) {
                    $plan->changes->{$id}->was = Editing::written($change);
                }
                continue;
            }
            $change->stage = $stage;
            $change->by = 'recipe';
            $change->order = ++$order;
            if ($of !== null) {
                $change->of = $of;
            }
            $plan->changes->{$id} = $change;
        }
    }

    /** @param class-string<Arrangement> $recipe */
    private static function drop(Editing $on, stdClass $plan, string $recipe, ?string $of): Edit
    {
        if ($of === null || !isset($plan->additions->{$of})) {
            throw Refused::because('/intent/drop', 'is for an addition that this plan has.');
        }
        self::withoutOld($on, $plan, $of);
        unset($plan->additions->{$of});

        return $on->done('took "' . $recipe::title() . '" out of ' . $plan->title);
    }

    /** @param class-string<Arrangement> $recipe */
    private static function checkOptions(stdClass $options, string $recipe): void
    {
        $error = SchemaCheck::validate($options, "options of {$recipe}", function () use ($recipe): stdClass {
            $fields = $recipe::options();
            unset($fields['circuits']);
            $schema = (object) Field::objectSchema($fields);
            $schema->properties->circuits = (object) [
                'type' => 'object',
                'maxProperties' => 60,
                'additionalProperties' => (object) ['type' => 'boolean'],
            ];

            return $schema;
        });
        if ($error !== null) {
            throw new Refused(
                array_map(
                    fn(Problem $p): Problem => new Problem('/intent/options' . $p->pointer, $p->message),
                    SchemaCheck::leaves($error) ?: [new Problem('', 'is not right.')],
                ),
            );
        }
    }
}
