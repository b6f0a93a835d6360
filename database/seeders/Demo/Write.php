<?php

declare(strict_types=1);

namespace Database\Seeders\Demo;

/** Edits as a person makes them, in short. */
final class Write
{
    /** @return array<string, mixed> */
    public static function read(mixed $value): array
    {
        return ['value' => $value, 'basis' => 'read_off', 'by' => 'Posy Tarn'];
    }

    /** @return array<string, mixed> */
    public static function told(mixed $value): array
    {
        return ['value' => $value, 'basis' => 'told'];
    }

    /** @return array<string, mixed> */
    public static function set(string $component, string $path, mixed $value): array
    {
        return ['kind' => 'survey_set', 'component' => $component, 'path' => $path, 'value' => $value];
    }

    /**
     * @param array<string, mixed> $component
     * @return array<string, mixed>
     */
    public static function add(string $id, array $component): array
    {
        return ['kind' => 'survey_add', 'id' => $id, 'component' => $component];
    }

    /** @return array<string, mixed> */
    public static function cable(string $size, float $m, string $entered, string $sheath = 'nm_b'): array
    {
        return [
            'size' => self::read($size),
            'lengthM' => ['value' => $m, 'basis' => 'measured', 'entered' => $entered],
            'sheath' => $sheath,
        ];
    }

    /**
     * @param array<string, mixed> $cable
     * @return array<string, mixed>
     */
    public static function feeder(
        string $label,
        string $from,
        string $fromPort,
        string $to,
        string $toPort,
        array $cable,
    ): array {
        return [
            'type' => 'feeder',
            'label' => $label,
            'from' => ['at' => $from, 'port' => $fromPort],
            'to' => ['at' => $to, 'port' => $toPort],
            'cable' => $cable,
        ];
    }

    /** @return array<string, mixed> */
    public static function lead(string $label, string $from, string $to, string $pole, string $size, float $m): array
    {
        return [
            'type' => 'lead',
            'label' => $label,
            'from' => $from,
            'to' => $to,
            'pole' => $pole,
            'cable' => [
                'size' => self::read($size),
                'lengthM' => ['value' => $m, 'basis' => 'measured'],
                'sheath' => 'fine',
            ],
        ];
    }

    /** @return array<string, mixed> */
    public static function load(
        string $label,
        float $w,
        string $kind = 'resistive',
        float $pf = 1.0,
        bool $long = false,
        bool $itself = false,
    ): array {
        return [
            'label' => $label,
            'watts' => self::read($w),
            'kind' => $kind,
            'powerFactor' => $pf,
            'continuous' => $long,
            'startsByItself' => $itself,
        ];
    }
}
