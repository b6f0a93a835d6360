<?php

declare(strict_types=1);

namespace Hollin\Core\Reference;

/** Published conductor tables, each once. All were entered from memory; see {@see Source}. */
final class ConductorTables
{
    /** Temperature coefficient of copper at 75 °C: note to NEC chapter 9 table 8. */
    public const ALPHA_CU_75C = 0.00323;

    /** Temperature coefficient of copper at 20 °C: IEC 60228. */
    public const ALPHA_CU_20C = 0.00393;

    /** gauge => [AWG number, ohm per 1000 ft at 75 °C, stranded uncoated copper]: NFPA 70 chapter 9 table 8. */
    public const AWG = [
        '18' => [18, 7.95],
        '16' => [16, 4.99],
        '14' => [14, 3.14],
        '12' => [12, 1.98],
        '10' => [10, 1.24],
        '8' => [8, 0.778],
        '6' => [6, 0.491],
        '4' => [4, 0.308],
        '3' => [3, 0.245],
        '2' => [2, 0.194],
        '1' => [1, 0.154],
        '1/0' => [0, 0.122],
        '2/0' => [-1, 0.0967],
        '3/0' => [-2, 0.0766],
        '4/0' => [-3, 0.0608],
    ];

    /** mm² => ohm per km at 20 °C, class 5 plain copper: IEC 60228 table 3. */
    public const MM2 = [
        '0.75' => 26.0,
        '1' => 19.5,
        '1.5' => 13.3,
        '2.5' => 7.98,
        '4' => 4.95,
        '6' => 3.3,
        '10' => 1.91,
        '16' => 1.21,
        '25' => 0.78,
        '35' => 0.554,
        '50' => 0.386,
        '70' => 0.272,
        '95' => 0.206,
        '120' => 0.161,
    ];

    /** gauge => ampacity in A of the 60, 75 and 90 °C columns: NFPA 70 table 310.16, copper. */
    public const BUILDING = [
        '14' => [15, 20, 25],
        '12' => [20, 25, 30],
        '10' => [30, 35, 40],
        '8' => [40, 50, 55],
        '6' => [55, 65, 75],
        '4' => [70, 85, 95],
        '3' => [85, 100, 115],
        '2' => [95, 115, 130],
        '1' => [110, 130, 145],
        '1/0' => [125, 150, 170],
        '2/0' => [145, 175, 195],
        '3/0' => [165, 200, 225],
        '4/0' => [195, 230, 260],
    ];

    /** gauge => ampacity in A, 105 °C insulation, outside engine spaces (30 °C), not bundled: ABYC E-11. */
    public const MARINE_AWG = [
        '18' => 20,
        '16' => 25,
        '14' => 35,
        '12' => 45,
        '10' => 60,
        '8' => 80,
        '6' => 120,
        '4' => 160,
        '3' => 180,
        '2' => 210,
        '1' => 245,
        '1/0' => 285,
        '2/0' => 330,
        '3/0' => 385,
        '4/0' => 445,
    ];

    /** mm² => ampacity in A, 105 °C insulation, 30 °C, not engine space: ISO 10133. */
    public const MARINE_MM2 = [
        '0.75' => 16,
        '1' => 20,
        '1.5' => 25,
        '2.5' => 35,
        '4' => 45,
        '6' => 60,
        '10' => 90,
        '16' => 130,
        '25' => 170,
        '35' => 210,
        '50' => 270,
        '70' => 330,
        '95' => 390,
        '120' => 450,
    ];

    /** gauge => ampacity in A with two current-carrying conductors (column B): NFPA 70 table 400.5(A)(1). */
    public const FLEXIBLE_CORD = [
        '18' => 10,
        '16' => 13,
        '14' => 18,
        '12' => 25,
        '10' => 30,
        '8' => 40,
        '6' => 55,
        '4' => 70,
    ];

    /** gauge => largest overcurrent device in A whatever the ampacity: NFPA 70 240.4(D), copper. */
    public const SMALL_CONDUCTOR_LIMIT = ['18' => 7, '16' => 10, '14' => 15, '12' => 20, '10' => 30];

    /**
     * gauge => largest overcurrent device in A of an RV's low-voltage branch: former NFPA 70 table 551.10(E)(1), now
     * 552.10(E)(1).
     */
    public const RV_LOW_VOLTAGE_LIMIT = ['18' => 6, '16' => 8, '14' => 15, '12' => 20, '10' => 30];

    /**
     * mm² => ampacity in A of two single conductors in conduit, 70 °C: BS 7671 table 4D1A method B; below 1.5 mm² table
     * 4F3A.
     */
    public const METRIC_CONDUIT = [
        '0.75' => 6,
        '1' => 10,
        '1.5' => 17.5,
        '2.5' => 24,
        '4' => 32,
        '6' => 41,
        '10' => 57,
        '16' => 76,
        '25' => 101,
        '35' => 125,
        '50' => 151,
        '70' => 192,
        '95' => 232,
        '120' => 269,
    ];

    /** mm² => ampacity in A of a flexible cord, single phase: BS 7671 table 4F3A. */
    public const METRIC_CORD = ['0.75' => 6, '1' => 10, '1.5' => 16, '2.5' => 25, '4' => 32];

    /** most conductors => factor for more than three that carry current together: NFPA 70 310.15(C)(1). */
    public const BUILDING_BUNDLE = [3 => 1.0, 6 => 0.8, 9 => 0.7, 20 => 0.5, 30 => 0.45, 40 => 0.4, 1000 => 0.35];

    /** most conductors => factor for conductors bundled together: ABYC E-11. */
    public const MARINE_BUNDLE = [1 => 1.0, 3 => 0.7, 6 => 0.6, 24 => 0.5, 1000 => 0.4];

    /** insulation °C => factor inside an engine space at 50 °C: ABYC E-11. */
    public const MARINE_ENGINE_SPACE = [
        60 => 0.58,
        75 => 0.75,
        80 => 0.78,
        90 => 0.82,
        105 => 0.85,
        125 => 0.89,
        200 => 1.0,
    ];

    /** gauge => volume one conductor counts for in a box, in³: NFPA 70 table 314.16(B). */
    public const BOX_IN3 = ['18' => 1.5, '16' => 1.75, '14' => 2.0, '12' => 2.25, '10' => 2.5, '8' => 3.0, '6' => 5.0];

    /** Standard ratings in A: NFPA 70 240.6(A). */
    public const STANDARD_RATINGS = [
        1,
        3,
        6,
        10,
        15,
        20,
        25,
        30,
        35,
        40,
        45,
        50,
        60,
        70,
        80,
        90,
        100,
        110,
        125,
        150,
        175,
        200,
        225,
        250,
        300,
        350,
        400,
        450,
        500,
        600,
    ];
}
