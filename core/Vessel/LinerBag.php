<?php

declare(strict_types=1);

namespace KelpTub\Core\Vessel;

/**
 * An opaque bag that lines a vessel, by its flat width and length in mm.
 *
 * It fits when `2·W ≥ rim perimeter + 40` and `L ≥ depth + half the shorter rim side + 150`. Source: handbook, rules section 2.
 */
final readonly class LinerBag
{
    private const ROUND_MM = 40.0;

    private const OVER_MM = 150.0;

    /** Bags are sold in steps of this, mm. */
    private const STEP_MM = 50.0;

    public function __construct(public float $width, public float $length)
    {
    }

    /** The smallest bag that fits. */
    public static function leastFor(Profile $profile): self
    {
        $mouth = $profile->mouth();

        return new self(
            ($mouth->perimeter() + self::ROUND_MM) / 2,
            $profile->rim() + min($mouth->length, $mouth->width) / 2 + self::OVER_MM,
        );
    }

    /** The smallest bag on sale that is no smaller than this one. */
    public function onSale(): self
    {
        $up = static fn (float $mm): float => ceil($mm / self::STEP_MM) * self::STEP_MM;

        return new self($up($this->width), $up($this->length));
    }

    public function fits(Profile $profile): bool
    {
        $least = self::leastFor($profile);

        return $this->width >= $least->width && $this->length >= $least->length;
    }
}
