<?php

declare(strict_types=1);

namespace Hollin\Core\Document;

/** What a JSON pointer into a job file points at, for somebody who does not read pointers. */
final readonly class Place
{
    /** What is written down about a value beside the value itself. */
    private const ABOUT = ['basis', 'entered', 'by', 'at'];

    /**
     * @param ?string $component of the rig as found; null for any other place
     * @param string $path of the value within it; of another place, what it is called
     * @param bool $isValue whether it is the value itself, and not how it is known
     */
    private function __construct(
        public string $pointer,
        public ?string $component,
        public string $path,
        public bool $isValue,
    ) {}

    /** @param string $pointer RFC 6901 */
    public static function of(string $pointer): self
    {
        if (preg_match('#^/asFound/components/([^/]+)(/.*)?$#', $pointer, $found) !== 1) {
            return new self($pointer, null, trim(implode(' ', array_slice(explode('/', $pointer), -2))), true);
        }
        $steps = explode('/', $found[2] ?? '');
        $last = count($steps) > 1 ? $steps[count($steps) - 1] : '';
        $isAbout = in_array($last, self::ABOUT, true);
        if ($isAbout || $last === 'value') {
            array_pop($steps);
        }

        return new self($pointer, $found[1], implode('/', $steps), !$isAbout);
    }

    /** @return array{pointer: string, component: ?string, path: string, isValue: bool} */
    public function toArray(): array
    {
        return [
            'pointer' => $this->pointer,
            'component' => $this->component,
            'path' => $this->path,
            'isValue' => $this->isValue,
        ];
    }
}
