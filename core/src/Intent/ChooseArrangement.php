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
            Arrangements::all()[$on->text('recipe')] ??
            throw Refused::because(
                '/intent/recipe',
                'must be one of: ' . implode(', ', array_keys(Arrangements::all())) . '.',
            );
        $raw = $on->intent->raw()->options;
        if (!($raw instanceof stdClass)) {
            throw Refused::because('/intent/options', 'must be an object.');
        }
        $options = new Options($raw, $recipe::options());
        self::checkOptions($raw, $recipe);
        try {
            $rig = Rig::from($on->document->asFound->components);
            $changes = OwnNames::in((new $recipe())->changes($rig, $options), $rig);
        } catch (NotPossible $e) {
            throw Refused::because('/intent/recipe', $e->getMessage());
        }
        $kept = [];
        foreach (get_object_vars($plan->changes) as $id => $change) {
            if ($change->by === 'recipe') {
                unset($plan->changes->{$id});
            } else {
                unset($change->was);
                $kept[] = $on->describe($change);
            }
        }
        $stage = (string) array_key_first(Planned::inOrder($plan->stages));
        $order = 0;
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
            $plan->changes->{$id} = $change;
        }
        $plan->arrangement = (object) ['recipe' => $recipe::id(), 'options' => $raw];

        return $on->done(
            'chose "' . $recipe::title() . '" for ' . $plan->title,
            ...array_map(fn(string $w): string => "Kept from before, made by hand: {$w}", $kept),
        );
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
