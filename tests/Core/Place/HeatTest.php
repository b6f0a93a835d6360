<?php

declare(strict_types=1);

use Hollin\Core\Place\Bend;
use Hollin\Core\Place\Heat;
use Hollin\Core\Reference\Ampacity;
use Hollin\Core\Reference\ConductorSize;

describe('heat and air (SZ-11)', function (): void {
    it('is a tenth of what goes in', function (): void {
        // 3000 W out at 90 %: 333 W; 300 W only if the loss were taken from what comes out.
        expect(Heat::lostW(3000, 0.9))->toEqualWithDelta(333.3, 0.1)->and(Heat::lostW(3000, 1.0))->toBe(0.0);
    });

    it('takes 58.5 cubic feet a minute for 18 °F', function (): void {
        // 3.16 × W ÷ ΔF, common practice; here from the density and heat of air.
        $m3h = Heat::airM3h(333.3, 10.0);
        expect($m3h / 1.699)
            ->toEqualWithDelta(58.5, 0.7)
            ->and((3.16 * 333.3) / 18)
            ->toEqualWithDelta($m3h / 1.699, 0.5);
    });

    it('has a rise that its own air carries', function (float $watts): void {
        expect(Heat::riseByFan($watts, Heat::airM3h($watts, 7.5)))->toEqualWithDelta(7.5, 1e-9);
    })->with([10.0, 333.3, 900.0]);

    it('has vents that draw as much air as their rise carries', function (
        float $watts,
        float $cm2,
        float $apart,
    ): void {
        // The other way round: from the rise the draught of the stack, from the draught the heat it takes.
        $rise = Heat::riseByVents($watts, $cm2, $apart);
        $draught = 0.6 * ($cm2 / 1e4 / sqrt(2)) * sqrt((2 * 9.81 * $apart * $rise) / 293);
        expect($draught * 1.204 * 1006 * $rise)->toEqualWithDelta($watts, $watts * 1e-6);
        expect(Heat::riseByVents($watts, Heat::ventCm2($watts, 8.0, $apart), $apart))->toEqualWithDelta(8.0, 1e-6);
    })->with([[333.3, 200.0, 0.5], [100.0, 50.0, 0.3], [40.0, 400.0, 1.2]]);

    it('is cooler by walls and air together than by either, and all of the heat is somewhere', function (): void {
        $vents = Heat::riseByVents(300, 60, 0.3);
        $both = Heat::riseOfBoth(300, 2.5, $vents, 1.5);
        expect($both)->toBeLessThan(min($vents, Heat::riseClosed(300, 2.5)));
        $byAir = 0.6 * (60 / 1e4 / sqrt(2)) * sqrt((2 * 9.81 * 0.3 * $both) / 293) * 1.204 * 1006 * $both;
        expect($byAir + 3.0 * 2.5 * $both)->toEqualWithDelta(300, 0.01);
    });

    it('is hottest closed up', function (): void {
        expect(Heat::riseClosed(333.3, 2.0))->toBeGreaterThan(Heat::riseByVents(333.3, 200, 0.5));
    });

    it('refuses an efficiency that cannot be', function (float $efficiency): void {
        Heat::lostW(100, $efficiency);
    })
        ->with([0.0, 1.2, -1.0])
        ->throws(InvalidArgumentException::class, 'above 0');
});

describe('the bend of a cable', function (): void {
    it('has the thickness that cable is sold with', function (string $size, float $fromMm, float $toMm): void {
        // Outer diameters of fine-strand battery cable, common lists, from memory: 4/0 about 16 to 19 mm, 2/0 about
        // 14 to 16 mm, 4 about 8 to 10 mm.
        $mm = 1000 * Bend::thicknessM(ConductorSize::of($size));
        expect($mm)->toBeGreaterThan($fromMm)->toBeLessThan($toMm);
    })->with([['awg:4/0', 16, 19.5], ['awg:2/0', 13, 16], ['awg:4', 8, 10.5], ['mm2:35', 11, 13.5]]);

    it('needs a hand of room for the largest cable', function (): void {
        // Common practice: 4/0 wants five to six inches from its stud.
        $m = Bend::roomM(ConductorSize::of('awg:4/0'));
        expect($m)->toBeGreaterThan(0.11)->toBeLessThan(0.16);
        expect(Bend::roomM(ConductorSize::of('awg:1/0')))->toBeLessThan($m);
    });

    it('goes through the gland that makers name for it', function (float $mm, ?string $gland): void {
        // Usual ranges, from memory: M12 to 6.5 mm, M16 to 10, M20 to 13, M25 to 18, M32 to 25, M40 to 32.
        expect(Bend::gland($mm / 1000))->toBe($gland);
    })->with([[6.0, 'M12'], [9.0, 'M16'], [12.0, 'M20'], [17.0, 'M25'], [24.0, 'M32'], [40.0, null]]);

    it('fits in two where one is too stiff: two 1/0 where 4/0 will not bend (common practice)', function (): void {
        $one = ConductorSize::of('awg:4/0');
        $two = ConductorSize::of('awg:1/0');
        expect(Bend::roomM($two))
            ->toBeLessThan(0.8 * Bend::roomM($one))
            ->and(2 * (float) Ampacity::Marine->ofSize($two))
            ->toBeGreaterThan((float) Ampacity::Marine->ofSize($one));
    });
});
