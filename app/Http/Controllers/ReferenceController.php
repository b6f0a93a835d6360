<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Hollin\Core\Components\Catalogue;
use Hollin\Core\Job\Field;
use Hollin\Core\Needs\Asked;
use Hollin\Core\Needs\Typical;
use Hollin\Core\Parts\Offer;
use Hollin\Core\Parts\Wishes;
use Hollin\Core\Place\Asked as Standing;
use Hollin\Core\Plan\Arrangements\Arrangements;
use Hollin\Core\Plan\Arrangements\Kinds;
use Hollin\Core\Plan\Layouts;
use Hollin\Core\Plan\WalkRound;
use Hollin\Core\Reference\Ampacity;
use Hollin\Core\Reference\ConductorSize;
use Hollin\Core\Rules\RuleBook;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;

/** What does not depend on a job: forms, layouts, arrangements, rules, tables. */
final class ReferenceController
{
    #[
        OA\Get(
            path: '/reference',
            operationId: 'reference',
            summary: 'Component forms, factory layouts, arrangements, rules and conductor tables.',
        ),
    ]
    #[
        OA\Response(
            response: 200,
            description: 'Reference',
            content: new OA\JsonContent(ref: '#/components/schemas/Reference'),
        ),
    ]
    public function show(): JsonResponse
    {
        $forms = [];
        foreach (Catalogue::types() as $type => $class) {
            $forms[$type] = [
                'name' => Catalogue::named($type),
                'summary' => $class::summary(),
                'fields' => (object) array_map(fn(Field $f): array => $f->form(), $class::allFields()),
                'ports' => (object) $class::ports(),
                'terminals' => (object) $class::leadNames(),
            ];
        }
        $arrangements = [];
        foreach ([...Arrangements::all(), ...Arrangements::additions()] as $id => $class) {
            $arrangements[] = [
                'id' => $id,
                'family' => isset(Arrangements::additions()[$id])
                    ? Arrangements::additions()[$id]::family()
                    : 'inverter',
                'title' => $class::title(),
                'gains' => $class::gains(),
                'risks' => $class::risks(),
                'options' => (object) array_map(fn(Field $f): array => $f->form(), $class::options()),
                'units' => self::kinds(
                    isset($class::options()['chargerA']) ? Kinds::inverterChargers() : Kinds::inverters(),
                ),
            ];
        }
        $rules = [];
        foreach (RuleBook::rules() as $rule) {
            $d = $rule::definition();
            $rules[] = [
                'id' => $d->id,
                'severity' => $d->severity->value,
                'title' => $d->title,
                'explanation' => $d->explanation,
                'source' => $d->source->text(),
            ];
        }
        $conductors = [];
        foreach (ConductorSize::all() as $size) {
            $conductors[] = [
                'designation' => $size->designation,
                'spoken' => $size->spoken(),
                'areaMm2' => round($size->areaMm2, 3),
                'mohmPerM20C' => round($size->ohmPerM20C * 1000, 4),
                'ampacity' => (object) array_filter(
                    array_combine(
                        array_map(fn(Ampacity $a): string => $a->value, Ampacity::cases()),
                        array_map(fn(Ampacity $a): ?float => $a->ofSize($size), Ampacity::cases()),
                    ),
                    fn(?float $a): bool => $a !== null,
                ),
            ];
        }
        $layouts = [];
        foreach (Layouts::all() as $id => $layout) {
            $layouts[] = ['id' => $id] + $layout;
        }

        return response()
            ->json([
                'version' => RuleBook::VERSION,
                'forms' => $forms,
                'layouts' => $layouts,
                'arrangements' => $arrangements,
                'needs' => [
                    'load' => (object) array_map(fn(Field $f): array => $f->form(), Asked::load()),
                    'trip' => (object) array_map(fn(Field $f): array => $f->form(), Asked::trip()),
                    'typical' => (object) Typical::all(),
                ],
                'place' => array_map(
                    fn(array $fields): object => (object) array_map(fn(Field $f): array => $f->form(), $fields),
                    [
                        'rig' => Standing::rig(),
                        'zone' => Standing::zone(),
                        'item' => Standing::item(),
                        'thing' => Standing::thing(),
                        'route' => Standing::route(),
                    ],
                ),
                'offer' => (object) array_map(fn(Field $f): array => $f->form(), Offer::fields()),
                'wishes' => (object) array_map(fn(Field $f): array => $f->form(), Wishes::fields()),
                'batteries' => self::kinds(Kinds::batteries()),
                'walk' => self::kinds(WalkRound::items()),
                'rules' => $rules,
                'conductors' => $conductors,
            ])
            ->header('Cache-Control', 'private, max-age=300');
    }

    /**
     * @param array<string, array<string, mixed>> $kinds
     * @return list<array<string, mixed>>
     */
    private static function kinds(array $kinds): array
    {
        return array_map(
            fn(string $id, array $kind): array => ['id' => $id, ...$kind],
            array_keys($kinds),
            array_values($kinds),
        );
    }
}
