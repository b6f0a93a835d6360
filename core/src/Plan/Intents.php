<?php

declare(strict_types=1);

namespace Hollin\Core\Plan;

use Hollin\Core\Components\Catalogue;
use Hollin\Core\Components\Panels\Circuit;
use Hollin\Core\Components\Panels\Panel;
use Hollin\Core\Job\BadJobFile;
use Hollin\Core\Job\Field;
use Hollin\Core\Job\Id;
use Hollin\Core\Job\JobFile;
use Hollin\Core\Job\Problem;
use Hollin\Core\Job\Rig;
use Hollin\Core\Job\Schema;
use Hollin\Core\Job\Values;
use Hollin\Core\Plan\Arrangements\Arrangement;
use Hollin\Core\Plan\Arrangements\Arrangements;
use Hollin\Core\Plan\Arrangements\NotPossible;
use Hollin\Core\Plan\Arrangements\Options;
use Hollin\Core\Plan\Arrangements\Recipe;
use stdClass;

/**
 * What a person means ("feed circuit 4 from the subpanel"), turned into a changed document.
 * Every intent leaves a document that passes all checks, or is refused and changes nothing.
 */
final class Intents
{
    /** Intent name => properties it needs. */
    public const KINDS = [
        'set_title' => ['title'],
        'lay_out' => ['layout'],
        'add_circuits' => ['panel', 'lines'],
        'survey_set' => ['component', 'path', 'value'],
        'survey_add' => ['id', 'component'],
        'survey_remove' => ['component'],
        'set_need' => ['path', 'value'],
        'add_plan' => ['id', 'title'],
        'rename_plan' => ['plan', 'title'],
        'remove_plan' => ['plan'],
        'choose_arrangement' => ['plan', 'recipe', 'options'],
        'move_circuit' => ['plan', 'circuit', 'panel', 'wires'],
        'plan_set' => ['plan', 'component', 'path', 'value'],
        'plan_fit' => ['plan', 'id', 'component'],
        'plan_remove' => ['plan', 'component'],
        'drop_change' => ['plan', 'change'],
        'add_stage' => ['plan', 'id', 'title'],
        'stage_change' => ['plan', 'change', 'stage'],
    ];

    private stdClass $document;

    private function __construct(stdClass $document, private readonly Values $intent)
    {
        $this->document = JobFile::copy($document);
    }

    /**
     * @throws Refused with where and what would be right
     */
    public static function apply(stdClass $document, stdClass $intent): Edit
    {
        $kind = $intent->kind ?? null;
        if (!is_string($kind) || !isset(self::KINDS[$kind])) {
            throw Refused::because('/intent/kind', 'must be one of: ' . implode(', ', array_keys(self::KINDS)) . '.');
        }
        foreach (self::KINDS[$kind] as $needed) {
            if (!property_exists($intent, $needed)) {
                throw Refused::because("/intent/{$needed}", "is missing; {$kind} needs it.");
            }
            if (!in_array($needed, ['value', 'component', 'options'], true) && !is_string($intent->{$needed})) {
                throw Refused::because("/intent/{$needed}", 'must be text.');
            }
        }
        $method = lcfirst(str_replace('_', '', ucwords($kind, '_')));
        $edit = (new self($document, new Values($intent)))->{$method}();
        try {
            JobFile::check($edit->document, $document);
        } catch (BadJobFile $e) {
            throw new Refused($e->problems);
        }

        return $edit;
    }

    private function text(string $name): string
    {
        return $this->intent->text($name);
    }

    private function component(): string
    {
        $id = $this->intent->raw()->component ?? null;

        return is_string($id) ? $id : throw Refused::because('/intent/component', 'must be the id of a component.');
    }

    private function fitted(): stdClass
    {
        $component = $this->intent->raw()->component ?? null;

        return $component instanceof stdClass ? $component : throw Refused::because('/intent/component', 'must be a component with its type.');
    }

    private function freshId(stdClass $among): string
    {
        $id = $this->text('id');
        if (!Id::valid($id)) {
            throw Refused::because('/intent/id', sprintf('"%s" is not an id: lower case letters, digits and _, starting with a letter.', mb_substr($id, 0, 60)));
        }
        if (isset($among->{$id})) {
            throw Refused::because('/intent/id', sprintf('"%s" is already taken.', $id));
        }

        return $id;
    }

    private function plan(): stdClass
    {
        $plan = $this->document->plans->{$this->text('plan')} ?? null;

        return $plan instanceof stdClass ? $plan : throw Refused::because('/intent/plan', sprintf('There is no plan "%s".', $this->text('plan')));
    }

    private function surveyed(string $id): stdClass
    {
        $component = $this->document->asFound->components->{$id} ?? null;

        return $component instanceof stdClass ? $component : throw Refused::because('/intent/component', sprintf('There is no component "%s" in the survey.', $id));
    }

    private function done(string $words, string ...$notices): Edit
    {
        return new Edit($this->document, $words, array_values($notices));
    }

    // The intents. Called by name from apply().

    protected function setTitle(): Edit
    {
        $this->document->title = $this->text('title');

        return $this->done('renamed the job');
    }

    protected function layOut(): Edit
    {
        if (get_object_vars($this->document->asFound->components) !== []) {
            throw Refused::because('/intent/layout', 'The survey already has components; a layout starts an empty one.');
        }
        $layout = $this->text('layout');
        $this->document->asFound->components = Layouts::components($layout);

        return $this->done('started the survey from "' . Layouts::all()[$layout]['title'] . '"');
    }

    /**
     * A tandem half named in a slot that holds one breaker so far says that the breaker there is a
     * tandem: what was surveyed in it is on the other half.
     */
    private static function makeTandem(Rig $rig, Panel $panel, stdClass $components, stdClass $hot): string
    {
        foreach (isset($hot->half) && $panel->values->flag('tandem') ? $rig->all(Circuit::class) : [] as $id => $other) {
            if ($other->hotPanel() === $panel->id && $other->slot() === $hot->slot && $other->half() === '') {
                $components->{$id}->hot->half = $hot->half === 'a' ? 'b' : 'a';

                return " ({$other->label()} is then on {$hot->slot}{$components->{$id}->hot->half})";
            }
        }

        return '';
    }

    protected function addCircuits(): Edit
    {
        $components = $this->document->asFound->components;
        $added = [];
        foreach (preg_split('/\R/', trim($this->text('lines'))) ?: [] as $i => $line) {
            if (trim($line) === '') {
                continue;
            }
            $rig = Rig::from($components);
            $panel = $rig->find($this->text('panel'));
            if (!$panel instanceof Panel) {
                throw Refused::because('/intent/panel', sprintf('"%s" is not a panel of the survey.', $this->text('panel')));
            }
            $circuit = QuickEntry::circuit($line, $panel->id, array_column(array_filter(Slots::free($rig, $panel), fn(array $f): bool => $f['half'] === ''), 'slot'), $i + 1);
            if ($circuit->hot->slot < 1 || $circuit->hot->slot > $panel->slots()) {
                throw Refused::because('/lines/' . ($i + 1), sprintf('#%d: %s has %d slots.', $circuit->hot->slot, $panel->label(), $panel->slots()));
            }
            $moved = self::makeTandem($rig, $panel, $components, $circuit->hot);
            $components->{Id::from('c_' . $circuit->label, get_object_vars($components))} = $circuit;
            $added[] = $circuit->label . $moved;
        }
        if ($added === []) {
            throw Refused::because('/intent/lines', 'is empty: write one circuit a line, for example "20 gfci bath 12/2".');
        }

        return $this->done('surveyed ' . implode(', ', $added));
    }

    protected function surveySet(): Edit
    {
        $id = $this->component();
        // Named as it was: what the change makes of it is checked afterwards.
        $component = $this->surveyed($id);
        $reason = Planned::apply($this->document->asFound->components, (object) ['op' => 'set', 'target' => $id, 'path' => $this->path(), 'value' => $this->intent->raw()->value]);
        if ($reason !== null) {
            throw Refused::because('/intent/path', $reason);
        }

        return $this->done("surveyed {$component->label}: " . Catalogue::placeWords($component->type, $this->path()));
    }

    protected function surveyAdd(): Edit
    {
        $id = $this->freshId($this->document->asFound->components);
        $this->document->asFound->components->{$id} = $this->fitted();

        return $this->done('surveyed ' . (is_string($this->fitted()->label ?? null) ? $this->fitted()->label : $id));
    }

    protected function surveyRemove(): Edit
    {
        $id = $this->component();
        $label = $this->surveyed($id)->label;
        unset($this->document->asFound->components->{$id});

        return $this->done("took {$label} out of the survey");
    }

    protected function setNeed(): Edit
    {
        $steps = explode('/', trim($this->path(), '/'));
        $last = array_pop($steps);
        $at = $this->document->needs;
        foreach ($steps as $step) {
            $at->{$step} ??= new stdClass();
            if (!$at->{$step} instanceof stdClass) {
                throw Refused::because('/intent/path', 'does not lead into the needs.');
            }
            $at = $at->{$step};
        }
        if ($this->intent->raw()->value === null) {
            unset($at->{$last});
        } else {
            $at->{$last} = $this->intent->raw()->value;
        }

        $spoken = ['ampacity' => 'ampacity school', 'scenarios' => 'running together', 'offGrid' => 'off grid', 'running' => ''];
        $words = array_map(fn(string $step): string => $spoken[$step]
            ?? $this->document->asFound->components->{explode('.', $step)[0]}->label ?? $this->document->needs->scenarios->{$step}->title ?? $step, explode('/', trim($this->path(), '/')));

        return $this->done('changed what must run: ' . implode(', ', array_filter($words)));
    }

    protected function addPlan(): Edit
    {
        $id = $this->freshId($this->document->plans);
        $orders = array_map(fn(stdClass $p): float => (float) ($p->order ?? 0), get_object_vars($this->document->plans));
        $this->document->plans->{$id} = (object) [
            'title' => $this->text('title'), 'order' => 1 + (int) max([0.0, ...array_values($orders)]),
            'stages' => (object) ['whole' => (object) ['title' => 'Whole retrofit', 'order' => 1]], 'changes' => new stdClass(),
        ];

        return $this->done('added the plan "' . $this->text('title') . '"');
    }

    protected function renamePlan(): Edit
    {
        $this->plan()->title = $this->text('title');

        return $this->done('renamed a plan to "' . $this->text('title') . '"');
    }

    protected function removePlan(): Edit
    {
        $title = $this->plan()->title;
        unset($this->document->plans->{$this->text('plan')});

        return $this->done("removed the plan \"{$title}\"");
    }

    protected function chooseArrangement(): Edit
    {
        $plan = $this->plan();
        $recipe = Arrangements::all()[$this->text('recipe')] ?? throw Refused::because('/intent/recipe', 'must be one of: ' . implode(', ', array_keys(Arrangements::all())) . '.');
        $raw = $this->intent->raw()->options;
        if (!$raw instanceof stdClass) {
            throw Refused::because('/intent/options', 'must be an object.');
        }
        $options = new Options($raw);
        self::checkOptions($raw, $recipe);
        try {
            $changes = (new $recipe())->changes(Rig::from($this->document->asFound->components), $options);
        } catch (NotPossible $e) {
            throw Refused::because('/intent/recipe', $e->getMessage());
        }
        $kept = [];
        foreach (get_object_vars($plan->changes) as $id => $change) {
            if ($change->by === 'recipe') {
                unset($plan->changes->{$id});
            } else {
                $kept[] = $this->describe($change);
            }
        }
        $stage = (string) array_key_first(Planned::inOrder($plan->stages));
        $order = 0;
        foreach ($changes as $change) {
            $id = self::changeId($change);
            if (($plan->changes->{$id}->by ?? '') === 'hand') {
                continue;
            }
            $change->stage = $stage;
            $change->by = 'recipe';
            $change->order = ++$order;
            $plan->changes->{$id} = $change;
        }
        $plan->arrangement = (object) ['recipe' => $recipe::id(), 'options' => $raw];

        return $this->done('chose "' . $recipe::title() . '" for ' . $plan->title, ...array_map(fn(string $w): string => "Kept from before, made by hand: {$w}", $kept));
    }

    protected function moveCircuit(): Edit
    {
        $plan = $this->plan();
        $id = $this->text('circuit');
        $wires = $this->text('wires');
        if (!in_array($wires, ['both', 'hot', 'neutral'], true)) {
            throw Refused::because('/intent/wires', 'must be both, hot or neutral.');
        }
        $stages = Planned::stages($this->document, $this->text('plan'));
        $rig = Rig::from($stages[count($stages) - 1]->components);
        $circuit = $rig->find($id);
        if (!$circuit instanceof Circuit) {
            throw Refused::because('/intent/circuit', sprintf('There is no circuit "%s" in the plan.', $id));
        }
        $panel = $rig->find($this->text('panel'));
        if (!$panel instanceof Panel) {
            throw Refused::because('/intent/panel', sprintf('"%s" is not a panel of the plan.', $this->text('panel')));
        }
        $slot = $this->intent->integer('slot');
        $half = $this->text('half');
        $found = $this->document->asFound->components->{$id} ?? null;
        $home = $found instanceof stdClass ? ($found->hot->panel ?? null) : null;
        if ($slot === 0 && $wires !== 'neutral') {
            if ($circuit->hotPanel() === $panel->id) {
                $slot = $circuit->slot();
                $half = $circuit->half();
            } else {
                $free = Slots::free($rig, $panel, $id);
                // Going home means going back to the very slot it came from.
                $own = ['slot' => (int) ($found->hot->slot ?? 0), 'half' => (string) ($found->hot->half ?? '')];
                $home = $home === $panel->id && (in_array($own, $free, true) || in_array(['slot' => $own['slot'], 'half' => ''], $free, true));
                ['slot' => $slot, 'half' => $half] = $home ? $own : ($free[0] ?? throw Refused::because('/intent/panel', sprintf('%s has no free slot.', $panel->label())));
            }
        }
        foreach (Recipe::moveCircuit($circuit, $panel->id, $slot, $wires, $half) as $change) {
            $this->write($plan, $change);
        }
        $gfci = 'ch_' . $id . '_gfci';
        if ($wires !== 'neutral' && ($found->hot->panel ?? null) === $panel->id && isset($plan->changes->{$gfci})) {
            unset($plan->changes->{$gfci});
        }
        $what = ['both' => '', 'hot' => 'the hot of ', 'neutral' => 'the neutral of '][$wires];

        return $this->done("moved {$what}{$circuit->label()} to {$panel->label()}");
    }

    protected function planSet(): Edit
    {
        $plan = $this->plan();
        $stages = Planned::stages($this->document, $this->text('plan'));
        $id = $this->component();
        $component = $stages[count($stages) - 1]->components->{$id} ?? throw Refused::because('/intent/component', sprintf('There is no component "%s" in the plan.', $id));
        $this->write($plan, (object) (['op' => Op::Set->value, 'target' => $id, 'path' => $this->path(), 'value' => $this->intent->raw()->value]
            + ($this->text('why') === '' ? [] : ['why' => $this->text('why')])));

        return $this->done("planned {$component->label}: " . Catalogue::placeWords($component->type, $this->path()));
    }

    protected function planFit(): Edit
    {
        $plan = $this->plan();
        $stages = Planned::stages($this->document, $this->text('plan'));
        $id = $this->freshId($stages[count($stages) - 1]->components);
        $this->write($plan, (object) ['op' => Op::Fit->value, 'target' => $id, 'value' => $this->fitted()]);

        return $this->done('planned to fit ' . (is_string($this->fitted()->label ?? null) ? $this->fitted()->label : $id));
    }

    protected function planRemove(): Edit
    {
        $plan = $this->plan();
        $id = $this->component();
        $stages = Planned::stages($this->document, $this->text('plan'));
        $component = $stages[count($stages) - 1]->components->{$id} ?? throw Refused::because('/intent/component', sprintf('There is no component "%s" in the plan.', $id));
        $fitted = false;
        foreach (get_object_vars($plan->changes) as $changeId => $change) {
            if ($change->target === $id) {
                $fitted = $fitted || $change->op === Op::Fit->value;
                unset($plan->changes->{$changeId});
            }
        }
        if (!$fitted) {
            $this->write($plan, (object) ['op' => Op::Remove->value, 'target' => $id]);
        }

        return $this->done("planned to take out {$component->label}");
    }

    protected function dropChange(): Edit
    {
        $plan = $this->plan();
        $change = $plan->changes->{$this->text('change')} ?? throw Refused::because('/intent/change', sprintf('There is no change "%s".', $this->text('change')));
        unset($plan->changes->{$this->text('change')});

        return $this->done('dropped: ' . $this->describe($change));
    }

    protected function addStage(): Edit
    {
        $plan = $this->plan();
        $id = $this->freshId($plan->stages);
        $plan->stages->{$id} = (object) ['title' => $this->text('title'), 'order' => 1 + (int) max([0.0, ...array_map(fn(stdClass $s): float => (float) ($s->order ?? 0), array_values(get_object_vars($plan->stages)))])];

        return $this->done('added the stage "' . $this->text('title') . '"');
    }

    protected function stageChange(): Edit
    {
        $plan = $this->plan();
        $change = $plan->changes->{$this->text('change')} ?? throw Refused::because('/intent/change', sprintf('There is no change "%s".', $this->text('change')));
        $change->stage = $this->text('stage');
        $change->by = 'hand';

        return $this->done('put into another stage: ' . $this->describe($change));
    }

    private function path(): string
    {
        $path = $this->text('path');

        return preg_match('#^(/[A-Za-z0-9_]+)+$#D', $path) === 1 && strlen($path) <= 120
            ? $path
            : throw Refused::because('/intent/path', 'must be a place like /breakerA or /cable/lengthM.');
    }

    /** Writes a change by hand: again replaces, back to as found removes. */
    private function write(stdClass $plan, stdClass $change): void
    {
        $id = self::changeId($change);
        $earlier = $plan->changes->{$id} ?? null;
        unset($plan->changes->{$id});
        if (isset($change->path)) {
            $without = Planned::stages($this->document, $this->text('plan'));
            $at = $without[count($without) - 1]->components->{$change->target} ?? null;
            foreach (explode('/', substr($change->path, 1)) as $step) {
                $at = $at instanceof stdClass ? ($at->{$step} ?? null) : null;
            }
            if (JobFile::same($at, $change->value)) {
                return;
            }
        }
        $change->by = 'hand';
        $change->stage = $earlier->stage ?? (string) array_key_last(Planned::inOrder($plan->stages));
        $change->order = $earlier->order ?? 1 + (int) max([0.0, ...array_map(fn(stdClass $c): float => (float) ($c->order ?? 0), array_values(get_object_vars($plan->changes)))]);
        $plan->changes->{$id} = $change;
    }

    private function describe(stdClass $change): string
    {
        $component = $this->document->asFound->components->{$change->target} ?? $change->value ?? null;

        return $change->op . ' ' . ($component->label ?? $change->target) . (isset($change->path) ? ' ' . Catalogue::placeWords($component->type ?? '', $change->path) : '');
    }

    /** The same change again gets the same id, so that it replaces the earlier one. */
    private static function changeId(stdClass $change): string
    {
        $id = match ($change->op) {
            Op::Fit->value => "fit_{$change->target}",
            Op::Remove->value => "rm_{$change->target}",
            default => "ch_{$change->target}" . strtolower(str_replace('/', '_', $change->path)),
        };

        return strlen($id) <= 48 ? $id : substr($id, 0, 39) . '_' . substr(hash('sha256', $id), 0, 8);
    }

    /** @param class-string<Arrangement> $recipe */
    private static function checkOptions(stdClass $options, string $recipe): void
    {
        $error = Schema::validate($options, "options of {$recipe}", function () use ($recipe): stdClass {
            $fields = $recipe::options();
            unset($fields['circuits']);
            $schema = (object) Field::objectSchema($fields);
            $schema->properties->circuits = (object) ['type' => 'object', 'maxProperties' => 60, 'additionalProperties' => (object) ['type' => 'boolean']];

            return $schema;
        });
        if ($error !== null) {
            throw new Refused(array_map(
                fn(Problem $p): Problem => new Problem('/intent/options' . $p->pointer, $p->message),
                Schema::leaves($error) ?: [new Problem('', 'is not right.')],
            ));
        }
    }
}
