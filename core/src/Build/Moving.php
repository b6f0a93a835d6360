<?php

declare(strict_types=1);

namespace Hollin\Core\Build;

use Hollin\Core\Components\Catalogue;
use Hollin\Core\Network\Part;
use Hollin\Core\Reference\ConductorSize;
use Hollin\Core\Reference\ScrewTorque;

/** Circuits moved with all their conductors, and what is exchanged in its place. */
final readonly class Moving
{
    public function __construct(private Site $site) {}

    /** @return list<Step> */
    public function steps(): array
    {
        return [...$this->moves(), ...$this->exchanges()];
    }

    /** @return list<string> panels whose cover is off for a circuit that comes or goes */
    public function panels(): array
    {
        $panels = [];
        foreach ($this->moved() as $id) {
            foreach ([$this->site->before->partAt($id), $this->site->after->partAt($id)] as $circuit) {
                foreach (['hot/panel', 'neutral/panel', 'hot/at', 'neutral/at'] as $fact) {
                    $panels[$circuit?->text($fact) ?? ''] = true;
                }
            }
        }

        return array_values(array_filter(array_map(strval(...), array_keys($panels))));
    }

    /** @return list<string> circuits whose hot or neutral comes from elsewhere, or whose breaker is another */
    public function moved(): array
    {
        $ids = [];
        foreach ($this->site->difference->landed as $id => $facts) {
            if (array_filter($facts, fn(string $f): bool => preg_match('#^(hot|neutral)/#', $f) === 1) !== []) {
                $ids[] = (string) $id;
            }
        }
        foreach ($this->site->difference->set as $id => $facts) {
            if (isset($this->site->after->circuits[$id]) && array_intersect($facts, ['breakerA', 'gfci']) !== []) {
                $ids[] = (string) $id;
            }
        }

        return array_values(array_unique($ids));
    }

    /** @return list<Step> */
    private function moves(): array
    {
        $steps = [];
        foreach ($this->moved() as $id) {
            $was = $this->site->before->parts[$id];
            $is = $this->site->after->parts[$id];
            $size = $is->text('cable/size') === '' ? null : ConductorSize::of($is->text('cable/size'));
            $torque = $size === null ? null : ScrewTorque::of($size);
            $from = $this->seat($was);
            $to = $this->seat($is);
            $breaker = $is->numberOrNull('breakerA');
            $gfci = $was->text('gfci') !== $is->text('gfci');
            $steps[] = new Step(
                $this->site->id(Kind::Move, $id),
                $this->site->stage,
                Kind::Move,
                $from === $to ? "Change at {$is->label}" : "Move {$is->label} to {$to}",
                'hot, neutral and ground move together: a neutral left behind carries back into the wrong panel',
                array_values(
                    array_unique(
                        array_filter(
                            array_map(fn(Part $p): string => $p->text('hot/panel', $p->text('hot/at')), [$was, $is]),
                        ),
                    ),
                ),
                [$id],
                $this->site->where($is->text('hot/panel')),
                array_values(
                    array_filter([
                        $from === $to ? '' : "Hot off {$from}, onto {$to}",
                        $this->neutral($was) === $this->neutral($is)
                            ? 'Neutral stays at ' . $this->neutral($is)
                            : "Neutral from {$this->neutral($was)} to {$this->neutral($is)}",
                        'Ground stays joined with frame and source the whole time',
                        $breaker !== null && $breaker !== $was->numberOrNull('breakerA')
                            ? sprintf('Breaker of %g A, listed for this panel', $breaker)
                            : '',
                        $gfci ? 'Ground-fault protection: ' . $this->words($is, 'gfci') : '',
                        $size === null
                            ? ''
                            : "{$size->spoken()}: stripped as far as the device shows, no strand outside",
                    ]),
                ),
                tools: $size === null ? ['torque driver', 'stripper'] : Tools::forWires([$is]),
                takes: $breaker === null ? [] : [sprintf('breaker %g A', $breaker)],
                asks: [
                    Ask::number(
                        'torque',
                        'Torque of its screws',
                        'N·m',
                        ...[
                            ...$torque ?? [null, null],
                            $breaker !== null,
                            'from a general table; what is printed on the device wins',
                        ],
                    ),
                    Ask::tick('all_three', 'Hot, neutral and ground are of the same cable'),
                    Ask::text('printed', 'Terminal as printed on the device', false),
                ],
                cautions: [Caution::Colours],
            );
        }

        return $steps;
    }

    /** Where a circuit's hot is landed, in words. */
    public function seat(Part $circuit): string
    {
        $panel = $circuit->text('hot/panel');
        if ($panel === '') {
            return $this->site->label($circuit->text('hot/at'));
        }

        return sprintf(
            'slot %g%s of %s',
            $circuit->number('hot/slot'),
            $circuit->text('hot/half'),
            $this->site->label($panel),
        );
    }

    private function neutral(Part $circuit): string
    {
        $panel = $circuit->text('neutral/panel');

        return $panel === ''
            ? $this->site->label($circuit->text('neutral/at'))
            : 'the neutral bar of ' . $this->site->label($panel);
    }

    private function words(Part $part, string $fact): string
    {
        $value = $part->has($fact) ? $part->text($fact, (string) $part->numberOrNull($fact)) : '';

        return Catalogue::field($part->type, $fact)?->choices[$value] ?? ($value === '' ? '' : $value);
    }

    /** @return list<Step> a part that stays by its name and becomes another: a fuse, a relay */
    private function exchanges(): array
    {
        $steps = [];
        foreach ($this->site->difference->set as $id => $facts) {
            $id = (string) $id;
            $part = $this->site->after->parts[$id];
            $hard = array_values(array_diff($facts, Sheets::SOFT));
            if (
                $hard === [] ||
                $this->site->difference->isInside($id) ||
                isset($this->site->after->circuits[$id]) ||
                $part->is('shore_supply', 'instruction')
            ) {
                continue;
            }
            $steps[] = new Step(
                $this->site->id(Kind::Mount, $id),
                $this->site->stage,
                Kind::Mount,
                "Exchange or refit {$part->label}",
                'the plan has another one in its place',
                [$id],
                where: $this->site->where($id),
                does: array_map(
                    fn(string $f): string => trim(
                        ucfirst(Catalogue::placeWords($part->type, "/{$f}")) . ': ' . $this->words($part, $f),
                        ': ',
                    ),
                    $hard,
                ),
                asks: [
                    Ask::text('printed', 'What is printed on it', false),
                    Ask::photo('photo', 'Of its label', false),
                ],
            );
        }

        return $steps;
    }
}
