<?php

declare(strict_types=1);

namespace Hollin\Core\Network;

/** Something wrong, as an edit of what is connected: open, another resistance, a short, two conductors exchanged. */
final readonly class Fault
{
    private function __construct(
        public string $kind,
        private string $element,
        private string $other = '',
        private ?float $ohm = null,
    ) {}

    /** Parted: a broken conductor, a blown fuse, a tripped breaker. */
    public static function open(string $element): self
    {
        return new self('open', $element);
    }

    /** So many ohm instead of its own: a bad joint, a thin spot. */
    public static function resistance(string $element, float $ohm): self
    {
        return new self('resistance', $element, ohm: $ohm);
    }

    /** Two terminals joined that should not be. */
    public static function short(string $a, string $b, float $ohm = 1e-3): self
    {
        return new self('short', $a, $b, $ohm);
    }

    /** The far ends of two conductors exchanged. */
    public static function exchanged(string $one, string $other): self
    {
        return new self('exchanged', $one, $other);
    }

    /**
     * @param array<string, Element> $elements
     * @return array<string, Element>
     */
    public function in(array $elements): array
    {
        if ($this->kind === 'short') {
            $id = "fault.{$this->element}+{$this->other}";

            return $elements + [
                $id => new Element(
                    $id,
                    ElementKind::Conductor,
                    'fault',
                    $this->element,
                    $this->other,
                    Role::SenseLead,
                    ohm: $this->ohm,
                ),
            ];
        }
        $one =
            $elements[$this->element] ??
            throw new \InvalidArgumentException("There is no \"{$this->element}\" to go wrong.");
        if ($this->kind === 'open') {
            unset($elements[$this->element]);
        } elseif ($this->kind === 'resistance') {
            $elements[$this->element] = self::changed($one, $one->b, null, $this->ohm);
        } else {
            $other =
                $elements[$this->other] ??
                throw new \InvalidArgumentException("There is no \"{$this->other}\" to exchange.");
            $elements[$this->element] = self::changed($one, $other->b, $one->cable, $one->ohm);
            $elements[$this->other] = self::changed($other, $one->b, $other->cable, $other->ohm);
        }

        return $elements;
    }

    private static function changed(Element $e, string $b, ?\Hollin\Core\Reference\Cable $cable, ?float $ohm): Element
    {
        return new Element(
            $e->id,
            $e->kind,
            $e->component,
            $e->a,
            $b,
            $e->role,
            $cable,
            $e->device,
            $e->closedIn,
            $e->rating,
            $e->purpose,
            $ohm,
            $e->dropV,
        );
    }
}
