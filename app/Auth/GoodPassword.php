<?php

declare(strict_types=1);

namespace App\Auth;

use Closure;
use Illuminate\Contracts\Validation\DataAwareRule;
use Illuminate\Contracts\Validation\ValidationRule;
use Illuminate\Support\Str;

/**
 * A password as ASVS 4.0 asks for (2.1, from memory): 12 characters or more of any kind, up to 128, none of the usual
 * ones, also not with figures put behind, and not the person's own name. Nothing is cut off.
 */
final class GoodPassword implements DataAwareRule, ValidationRule
{
    public const LEAST = 12;

    public const MOST = 128;

    /** @var array<string, mixed> */
    private array $data = [];

    /** @param list<string> $own words of the person's that no password is made of, beside what is sent with it */
    public function __construct(private readonly array $own = []) {}

    /** @param array<string, mixed> $data */
    public function setData(array $data): static
    {
        $this->data = $data;

        return $this;
    }

    public function validate(string $attribute, mixed $value, Closure $fail): void
    {
        $why = is_string($value) ? $this->why($value) : 'must be text.';
        if ($why !== null) {
            $fail($why);
        }
    }

    private function why(string $password): ?string
    {
        $length = mb_strlen($password);
        if ($length < self::LEAST) {
            return sprintf('needs %d characters or more; it has %d. Four words make a good one.', self::LEAST, $length);
        }
        if ($length > self::MOST) {
            return sprintf('may have up to %d characters.', self::MOST);
        }
        $plain = Str::lower($password);
        if (count(array_unique(mb_str_split($plain))) < 5) {
            return 'is the same few characters over and over. Four words make a good one.';
        }
        // What is left without figures and marks around it: "Password1234!" is "password".
        $core = (string) preg_replace('/^[^\p{L}]+|[^\p{L}]+$/u', '', $plain);
        $common = CommonPasswords::all();
        if (isset($common[$plain]) || ($core !== '' && isset($common[$core])) || isset($common[self::once($plain)])) {
            return 'is one of the usual passwords, or little more. Four words make a good one.';
        }
        foreach ($this->ownWords() as $word) {
            if (str_contains($plain, $word) && $length - mb_strlen($word) < 8) {
                return 'is hardly more than a name that stands beside it.';
            }
        }

        return null;
    }

    /** The part that a password repeats, or itself. */
    private static function once(string $password): string
    {
        return preg_match('/^(.+?)\1+$/us', $password, $m) === 1 ? $m[1] : $password;
    }

    /** @return list<string> words of four letters or more of what came with the password, in small letters */
    private function ownWords(): array
    {
        $given = array_filter(
            [...$this->own, $this->data['name'] ?? '', $this->data['email'] ?? '', $this->data['workshop'] ?? ''],
            is_string(...),
        );
        $words = preg_split('/[^\p{L}\p{N}]+/u', Str::lower(implode(' ', $given) . ' hollin')) ?: [];

        return array_values(array_unique(array_filter($words, fn(string $word): bool => mb_strlen($word) >= 4)));
    }
}
