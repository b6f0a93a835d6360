<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

/** Every rule, worst first. */
final class RuleBook
{
    /** Changes when what a rule says changes; printed sheets carry it. */
    public const VERSION = '2026.16';

    private const CLASSES = [
        JoinedSources::class,
        ShortCircuit::class,
        DirectShort::class,
        LivePins::class,
        BondCount::class,
        GroundContinuity::class,
        SplitReturn::class,
        ChargingLoop::class,
        LostGfci::class,
        GfciBySource::class,
        GfciTrips::class,
        FedByItself::class,
        FedTwice::class,
        FrameEnergised::class,
        PedestalVolts::class,
        FaultClearing::class,
        ConductorProtection::class,
        InterruptingCapacity::class,
        DirectPolarity::class,
        UnlikeParallel::class,
        PathRating::class,
        UnequalSharing::class,
        VoltageDrop::class,
        FrameBondSize::class,
        ShuntBypassed::class,
        DirectReturn::class,
        LeadPole::class,
        NegativeSwitched::class,
        PassThrough::class,
        Overload::class,
        ChargingLost::class,
        LostDirect::class,
        DarkOnShore::class,
        SupplyRefused::class,
        LifeSafety::class,
        StartsByItself::class,
        MotorStart::class,
        MotorTransfer::class,
        ReversedPolarity::class,
        ChargerProfile::class,
        HoldDown::class,
        LostCircuit::class,
        BoxFill::class,
        ChargeHeldBack::class,
        AssistDrains::class,
        LockOut::class,
        ColdOpenVolts::class,
        AlternatorUnlimited::class,
        LoadDump::class,
        TurnedThroughBoth::class,
        ConverterStarves::class,
        LoweredAlternator::class,
        SeparatorChatters::class,
        CutOffComesBack::class,
        TowPinsLive::class,
        ChargedCold::class,
        ChargedPastLimit::class,
        ArrayFirst::class,
        ArrayBreaker::class,
        WrongReturn::class,
        InrushUnlimited::class,
        JointHeat::class,
        BehindAnothersSwitch::class,
        BothEndsMale::class,
        PanelUnregulated::class,
        ControllerClips::class,
        ArrayLabels::class,
        Restless::class,
        NotChecked::class,
        DoesNotApply::class,
    ];

    /** @return list<Rule> */
    public static function rules(): array
    {
        return array_map(fn(string $class): Rule => new $class(), self::CLASSES);
    }
}
