<?php

declare(strict_types=1);

namespace Hollin\Core\Energy;

use Hollin\Core\Network\About;
use Hollin\Core\Network\PowerConverter;
use Hollin\Core\Rules\Examination;
use Hollin\Core\Sizing\DirectShares;
use Hollin\Core\States\NamedState;
use Hollin\Core\States\Setting;

/** The settled states that days pass through, each wired once: what feeds the rig, what runs, what has opened. */
final class Scenes
{
    /** @var array<string, Wiring> */
    private array $wired = [];

    /** @var ?array<string, float> inverter => ohm of its leads */
    private ?array $leadOhm = null;

    /** Temperature of leads that carry now and then, °C. */
    private const LEADS_C = 30.0;

    public function __construct(private readonly Examination $rig) {}

    /** @return array<string, float> inverter => ohm of the cables between it and its batteries, both poles */
    private function leads(): array
    {
        $ohm = [];
        foreach ($this->rig->graph->converters as $id => $unit) {
            if (in_array($unit->kind, [PowerConverter::INVERTER, PowerConverter::ASSIST], true)) {
                $shares = new DirectShares($this->rig->graph, ...[...$unit->input, self::LEADS_C]);
                $ohm[$id] = $shares->isFed() ? $shares->ohms($unit->input[1]) : 0.0;
            }
        }

        return $ohm;
    }

    /**
     * @param string $fed nothing, generator, or a position of the shore cord
     * @param array<string, string> $moved device => position, of what goes by volts, charge or cold
     */
    public function wiring(string $fed, bool $inverting, bool $engine, bool $sun, bool $cold, array $moved): Wiring
    {
        $key =
            "{$fed}|{$inverting}|{$engine}|{$sun}|{$cold}|" .
            implode(',', array_keys($moved)) .
            '|' .
            implode(',', $moved);

        return $this->wired[$key] ??= new Wiring(
            $this->rig->engine->settle($this->setting($fed, $inverting, $engine, $sun, $cold, $moved)),
            ($this->leadOhm ??= $this->leads()),
        );
    }

    /** @param array<string, string> $moved */
    private function setting(string $fed, bool $inverting, bool $engine, bool $sun, bool $cold, array $moved): Setting
    {
        $nothing = $this->rig->named['nothing'];
        $base = $this->base($fed, $inverting)->setting;
        $controls = $base->controls;
        $surroundings = $base->surroundings;
        $driving = $engine ? $this->about(About::Driving) : null;
        if ($driving !== null) {
            $controls = array_diff_assoc($driving->setting->controls, $nothing->setting->controls) + $controls;
            $surroundings =
                array_diff_assoc($driving->setting->surroundings, $nothing->setting->surroundings) + $surroundings;
        }
        foreach (['sun' => [$sun, 'good', 'dead'], 'cells' => [$cold, 'cold', 'good']] as $id => [$is, $yes, $no]) {
            if (isset($surroundings[$id])) {
                $surroundings[$id] = $is ? $yes : $no;
            }
        }

        return new Setting($moved + $controls, $surroundings);
    }

    private function base(string $fed, bool $inverting): NamedState
    {
        $inverter = $inverting ? $this->about(About::Inverting) : null;

        return match ($fed) {
            'nothing' => $inverter ?? $this->rig->named['nothing'],
            'generator' => $this->about(About::Generator) ?? $this->rig->named['nothing'],
            default => $this->rig->named["shore_{$fed}"] ??
                ($this->about(About::Shore) ?? $this->rig->named['nothing']),
        };
    }

    /** The first usual state about something. */
    public function about(About $about): ?NamedState
    {
        foreach ($this->rig->named as $state) {
            if ($state->about === $about && $state->group === 'usual') {
                return $state;
            }
        }

        return null;
    }

    /** @return array<string, true> batteries that an engine's alternator stands on as soon as it turns */
    public static function engineBatteries(Examination $rig): array
    {
        $of = [];
        $situation = $rig->settled['nothing']->situation;
        foreach ($rig->graph->converters as $unit) {
            if ($unit->kind === PowerConverter::FIELD && $unit->fieldW <= 0) {
                $of += array_fill_keys($situation->batteriesAt($unit->output[0], $unit->output[1]), true);
            }
        }

        return $of;
    }

    /** A position of a management's switch, or open where it knows nothing finer. */
    public function position(string $switch, string $wanted): string
    {
        return isset($this->rig->graph->devices[$switch]->positions[$wanted]) ? $wanted : 'open';
    }
}
