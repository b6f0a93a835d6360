<?php

declare(strict_types=1);

namespace Tests\Laws;

use Hollin\Core\Document\JobFile;
use Hollin\Core\Job\BadJobFile;
use stdClass;

/** One view of one job file: what a law is tried on. Components are those of the view, its changes carried out. */
final readonly class Specimen
{
    /** @param array<string, array<string, mixed>> $parts components of the view by id, as decoded JSON */
    public function __construct(
        public string $name,
        public stdClass $document,
        public string $view,
        public array $parts,
        public ?string $plan = null,
        public ?string $stage = null,
    ) {}

    public function title(): string
    {
        return $this->view === 'as_found' ? $this->name : "{$this->name} [{$this->view}]";
    }

    /** The value at a place in a part, without how it is known; null where there is none. */
    public function value(string $part, string $path): mixed
    {
        $at = $this->parts[$part] ?? null;
        foreach (explode('/', $path) as $key) {
            $at = self::plain($at);
            $at = is_array($at) ? $at[$key] ?? null : null;
        }

        return self::plain($at);
    }

    /** A new value at that place, known as well as the old one was. */
    public function like(string $part, string $path, mixed $new): mixed
    {
        $at = $this->parts[$part] ?? null;
        foreach (explode('/', $path) as $n => $key) {
            $at = $n === 0 ? $at : self::plain($at);
            $at = is_array($at) ? $at[$key] ?? null : null;
        }

        return is_array($at) && isset($at['basis']) && array_key_exists('value', $at)
            ? ['value' => $new, 'basis' => $at['basis']]
            : $new;
    }

    public static function plain(mixed $value): mixed
    {
        return is_array($value) && isset($value['basis']) && array_key_exists('value', $value)
            ? $value['value']
            : $value;
    }

    /** An id that no part has yet. */
    public function free(string $wish): string
    {
        for ($n = 1, $id = $wish; isset($this->parts[$id]); $n++) {
            $id = "{$wish}_" . ($n + 1);
        }

        return $id;
    }

    /**
     * The job with edits of this view: in the survey, or as last changes of the stage.
     *
     * @param list<array{0: string, 1: string, 2?: string, 3?: mixed}> $edits op (fit, set, remove), part, place, value
     * @param ?\Closure(stdClass): void $needs changes what the owner needs
     * @throws BadJobFile when the format refuses it
     */
    public function edited(array $edits, ?\Closure $needs = null): stdClass
    {
        $document = self::copy($this->document);
        if ($this->plan === null) {
            foreach ($edits as $edit) {
                self::edit($document->asFound->components, ...$edit);
            }
        } else {
            $changes = $document->plans->{$this->plan}->changes ??= new stdClass();
            foreach ($edits as $n => [$op, $part]) {
                $change = [
                    'op' => $op,
                    'stage' => $this->stage,
                    'order' => 900000 + $n,
                    'target' => $part,
                    'by' => 'hand',
                ];
                $change += $op === 'set' ? ['path' => '/' . $edits[$n][2]] : [];
                $change += $op === 'remove' ? [] : ['value' => $edits[$n][3] ?? null];
                $changes->{"law_{$n}"} = self::copy((object) $change);
            }
        }
        $needs === null ? null : $needs($document->needs);
        JobFile::check($document, $this->document);

        return $document;
    }

    private static function edit(
        stdClass $parts,
        string $op,
        string $part,
        string $path = '',
        mixed $value = null,
    ): void {
        if ($op === 'fit') {
            $parts->{$part} = self::copy($value);

            return;
        }
        if ($op === 'remove') {
            unset($parts->{$part});

            return;
        }
        $keys = explode('/', $path);
        $last = array_pop($keys);
        $at = $parts->{$part};
        foreach ($keys as $key) {
            $at = $at->{$key} ??= new stdClass();
            $at = isset($at->basis, $at->value) && $at->value instanceof stdClass ? $at->value : $at;
        }
        if ($value === null) {
            unset($at->{$last});
        } else {
            $at->{$last} = self::copy($value);
        }
    }

    /** @template T @param T $value @return ($value is stdClass ? stdClass : mixed) */
    public static function copy(mixed $value): mixed
    {
        return json_decode((string) json_encode($value, JSON_PRESERVE_ZERO_FRACTION), false, 64, JSON_THROW_ON_ERROR);
    }
}
