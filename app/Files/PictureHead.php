<?php

declare(strict_types=1);

namespace App\Files;

use Hollin\Core\Plan\Refused;

/** What the first bytes of a picture say of it, before anything is decoded. */
final readonly class PictureHead
{
    private const TYPES = [IMAGETYPE_JPEG, IMAGETYPE_PNG, IMAGETYPE_WEBP];

    /** Four bytes each while it is written anew. */
    private const MOST_PIXELS = 50_000_000;

    private const LONGEST_SIDE = 16_000;

    private function __construct(public int $width, public int $height) {}

    /** @throws Refused when it is no picture, or a larger one than can be read here */
    public static function of(string $bytes): self
    {
        $size = @getimagesizefromstring($bytes);
        if ($size === false || !in_array($size[2], self::TYPES, true) || $size[0] < 1 || $size[1] < 1) {
            throw Refused::because(
                '/photo',
                'is not a JPEG, PNG or WebP picture. A phone that takes HEIC can be set to "most ' .
                    'compatible", or the picture exported as JPEG.',
            );
        }
        if ($size[0] * $size[1] > self::MOST_PIXELS || max($size[0], $size[1]) > self::LONGEST_SIDE) {
            throw Refused::because(
                '/photo',
                sprintf(
                    'has %d × %d pixels; up to %d megapixels, no side over %d, can be read.',
                    $size[0],
                    $size[1],
                    intdiv(self::MOST_PIXELS, 1_000_000),
                    self::LONGEST_SIDE,
                ),
            );
        }

        return new self($size[0], $size[1]);
    }
}
