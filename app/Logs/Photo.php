<?php

declare(strict_types=1);

namespace App\Logs;

use Intervention\Image\Exceptions\RuntimeException;
use Intervention\Image\ImageManager;
use KelpTub\Core\File\RefusedGarden;

/**
 * A photograph as it is kept: its pixels written anew, upright, at most 1600 to a side, and nothing beside them: neither where it was taken
 * nor by what. What it says of its own size is read before its pixels are.
 */
final readonly class Photo
{
    public const MOST_BYTES = 12_000_000;

    public const MOST_PIXELS = 50_000_000;

    private const SIDE = 1600;

    private const SMALL_SIDE = 320;

    private const QUALITY = 82;

    private const SMALL_QUALITY = 76;

    private const KINDS = [IMAGETYPE_JPEG, IMAGETYPE_PNG, IMAGETYPE_WEBP];

    /** Markers of a JPEG after which something else than pixels is told: APP1 to APP15, and comments. */
    private const TELLING = '/^[\xE1-\xEF\xFE]$/';

    /** The comment by which the library that writes them says that it did. */
    private const OURS = 'CREATOR: gd-jpeg';

    private const END = "\xFF\xD9";

    private function __construct(public string $large, public string $small)
    {
    }

    /** @throws RefusedGarden where it is no photograph, or too large a one */
    public static function of(string $bytes): self
    {
        if (strlen($bytes) > self::MOST_BYTES) {
            throw self::refused(sprintf('has %.1f MB; the most is %d MB', strlen($bytes) / 1e6, self::MOST_BYTES / 1e6));
        }
        $size = @getimagesizefromstring($bytes);
        if ($size === false || ! in_array($size[2], self::KINDS, true) || $size[0] < 1 || $size[1] < 1) {
            throw self::refused('is none that can be read; a JPEG, a PNG or a WebP is');
        }
        if ($size[0] * $size[1] > self::MOST_PIXELS) {
            throw self::refused(sprintf(
                'has %d × %d, %s million pixels; the most is %d million',
                $size[0],
                $size[1],
                // Rounded up: one that is a little over is not said to be as many as may be.
                ceil($size[0] * $size[1] / 1e5) / 10,
                self::MOST_PIXELS / 1e6,
            ));
        }
        try {
            $image = ImageManager::gd(autoOrientation: true, decodeAnimation: false, strip: true)->read($bytes);
            $isAsKept = $size[2] === IMAGETYPE_JPEG && max($size[0], $size[1]) <= self::SIDE
                && str_ends_with($bytes, self::END) && ! self::tellsMore($bytes);
            $large = $isAsKept ? $bytes : (string) $image->scaleDown(self::SIDE, self::SIDE)->toJpeg(self::QUALITY);

            return new self($large, (string) $image->scaleDown(self::SMALL_SIDE, self::SMALL_SIDE)->toJpeg(self::SMALL_QUALITY));
        } catch (RuntimeException) {
            throw self::refused('is damaged: its pixels cannot be read; take or choose another');
        }
    }

    /** Whether a JPEG holds anything beside its pixels, as where it was taken. */
    private static function tellsMore(string $bytes): bool
    {
        for ($at = 2, $length = strlen($bytes); $at + 4 <= $length && $bytes[$at] === "\xFF"; $at += 2 + $size) {
            if ($bytes[$at + 1] === "\xDA") {
                return false;
            }
            if (preg_match(self::TELLING, $bytes[$at + 1]) === 1 && substr($bytes, $at + 4, strlen(self::OURS)) !== self::OURS) {
                return true;
            }
            $size = (ord($bytes[$at + 2]) << 8) + ord($bytes[$at + 3]);
        }

        return true;
    }

    private static function refused(string $why): RefusedGarden
    {
        return RefusedGarden::one('/photo', $why);
    }
}
