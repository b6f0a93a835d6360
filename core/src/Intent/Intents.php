<?php

declare(strict_types=1);

namespace Hollin\Core\Intent;

use Hollin\Core\Components\Rig;
use Hollin\Core\Document\JobFile;
use Hollin\Core\Document\Spoken;
use Hollin\Core\Job\BadJobFile;
use Hollin\Core\Job\Values;
use Hollin\Core\Plan\Downstream;
use Hollin\Core\Plan\FedPorts;
use Hollin\Core\Plan\Planned;
use Hollin\Core\Plan\Refused;
use stdClass;

/**
 * What a person means ("feed circuit 4 from the subpanel"), turned into a changed document.
 * Every intent leaves a document that passes all checks, or is refused and changes nothing.
 */
final class Intents
{
    /** @var list<class-string<Handler>> */
    private const HANDLERS = [
        SetTitle::class,
        LayOut::class,
        AddCircuits::class,
        SurveySet::class,
        SurveyConfirm::class,
        SetWalk::class,
        SurveyAdd::class,
        SurveyRemove::class,
        SetNeed::class,
        SetPlace::class,
        AddPlan::class,
        RenamePlan::class,
        RemovePlan::class,
        ChooseArrangement::class,
        MoveCircuit::class,
        PlanSet::class,
        PlanFit::class,
        PlanInLine::class,
        PlanRemove::class,
        PlanExchange::class,
        DropChange::class,
        AddStage::class,
        StageChange::class,
    ];

    /** @return array<string, class-string<Handler>> by kind */
    public static function all(): array
    {
        static $all = null;

        return $all ??= array_combine(
            array_map(fn(string $handler): string => $handler::kind(), self::HANDLERS),
            self::HANDLERS,
        );
    }

    /** What somebody must be allowed to change for an intent of a kind; a plan, where there is no such kind. */
    public static function right(?string $kind): Right
    {
        $handler = self::all()[$kind ?? ''] ?? null;

        return $handler === null ? Right::Plan : $handler::right();
    }

    /**
     * @param bool $wrongly also what nobody plans but some have built, as the samples of the rules show it
     * @throws Refused with where and what would be right
     */
    public static function apply(stdClass $document, stdClass $intent, bool $wrongly = false): Edit
    {
        $kind = $intent->kind ?? null;
        $handler = is_string($kind) ? self::all()[$kind] ?? null : null;
        if ($handler === null) {
            throw Refused::because('/intent/kind', 'must be one of: ' . implode(', ', array_keys(self::all())) . '.');
        }
        foreach ($handler::needs() as $needed) {
            if (!property_exists($intent, $needed)) {
                throw Refused::because("/intent/{$needed}", "is missing; {$kind} needs it.");
            }
            if (
                !in_array($needed, ['value', 'values', 'component', 'options'], true) &&
                !is_string($intent->{$needed})
            ) {
                throw Refused::because("/intent/{$needed}", 'must be text.');
            }
        }
        $edit = (new $handler())->handle(new Editing($document, new Values($intent)));
        try {
            JobFile::check($edit->document, $document);
        } catch (BadJobFile $e) {
            $spoken = Spoken::problems($e->problems, $edit->document);
            throw $spoken === [] ? Refused::because('', $e->getMessage()) : new Refused($spoken);
        }
        if (!$wrongly) {
            self::refuseUnsound($document, $edit->document, $intent);
        }

        return $edit;
    }

    /**
     * What is found in rigs and never planned: a port fed twice, a circuit that feeds itself.
     *
     * @throws Refused with what is there already
     */
    private static function refuseUnsound(stdClass $before, stdClass $after, stdClass $intent): void
    {
        if (in_array($intent->kind, [PlanSet::kind(), PlanFit::kind()], true)) {
            FedPorts::refuseSecond(
                Planned::atLast($before, $intent->plan),
                Planned::atLast($after, $intent->plan),
                $intent->kind === PlanFit::kind() ? '/intent/component' : '/intent/value',
            );
        }
        if ($intent->kind === MoveCircuit::kind()) {
            $rig = Rig::from(Planned::atLast($before, $intent->plan));
            if (isset((new Downstream($rig))->of($intent->circuit)[$intent->panel])) {
                throw Refused::because(
                    '/intent/panel',
                    sprintf(
                        '%s is fed by %s: it would feed itself.',
                        $rig->find($intent->panel)?->label() ?? 'It',
                        $rig->find($intent->circuit)?->label() ?? 'it',
                    ),
                );
            }
        }
    }
}
