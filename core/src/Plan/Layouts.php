<?php

declare(strict_types=1);

namespace Hollin\Core\Plan;

use stdClass;

/**
 * Factory layouts a survey can start from, each a job file of its own. Every figure in them is marked assumed until
 * somebody looks. Invented after what is usual; common practice, no source.
 */
final class Layouts
{
    private const FOLDER = __DIR__ . '/../../layouts';

    /** In the order in which they are offered. */
    private const IDS = [
        'trailer_30_in_panel',
        'trailer_30_separate',
        'trailer_30_lithium',
        'teardrop_20',
        'tent_trailer_20',
        'truck_camper_30',
        'van_inverter',
        'class_c_generator',
        'toy_hauler_generator',
        'fifth_wheel_30',
        'workshop_trailer',
        'bare_30',
    ];

    /** @return array<string, array{title: string, summary: string}> */
    public static function all(): array
    {
        $all = [];
        foreach (self::IDS as $id) {
            $file = self::file($id);
            $all[$id] = ['title' => $file->title, 'summary' => $file->rig->note];
        }

        return $all;
    }

    /** @throws Refused when there is no such layout */
    public static function components(string $layout): stdClass
    {
        if (!in_array($layout, self::IDS, true)) {
            throw Refused::because(
                '/layout',
                sprintf('"%s" is not a factory layout; there is: %s.', $layout, implode(', ', self::IDS)),
            );
        }

        return self::file($layout)->asFound->components;
    }

    private static function file(string $id): stdClass
    {
        /** @var stdClass $file */
        $file = json_decode((string) file_get_contents(self::FOLDER . "/{$id}.json"), flags: JSON_THROW_ON_ERROR);

        return $file;
    }
}
