<?php

declare(strict_types=1);

namespace Hollin\Core\States;

use Hollin\Core\Network\About;

/** An operating state people talk about, with the controls set as they are told to set them. */
final readonly class NamedState
{
    public function __construct(
        public string $id,
        public string $letter,
        public string $title,
        public Setting $setting,
        /** usual; battery: what becomes of the batteries; or fault: a pedestal that is wired wrong */
        public string $group = 'usual',
        public About $about = About::Nothing,
        /** how the batteries are: full, half or low */
        public string $charge = 'half',
        /** what is wrong outside the rig, where that is what the state is about */
        public ?OutsideFault $fault = null,
    ) {}

    /** The same state in another setting: with what has moved by itself. */
    public function in(Setting $setting): self
    {
        return $setting === $this->setting ? $this : new self(...['setting' => $setting] + get_object_vars($this));
    }

    /** The same under another letter. */
    public function called(string $letter): self
    {
        return new self(...['letter' => $letter] + get_object_vars($this));
    }

    /** How the batteries are, in words. */
    public function charged(): string
    {
        return ['full' => 'full', 'low' => 'nearly empty'][$this->charge] ?? 'half charged';
    }
}
