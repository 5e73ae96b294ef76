<?php

declare(strict_types=1);

namespace KelpTub\Core\Geometry;

/**
 * A level cut through a vessel: a circle, or a rectangle with rounded corners. Lengths in mm, areas in mm².
 *
 * Source: handbook, rules section 2.
 */
final readonly class CrossSection
{
    private function __construct(
        public bool $round,
        public float $length,
        public float $width,
        public float $cornerRadius,
    ) {
    }

    public static function circle(float $diameter): self
    {
        return new self(true, $diameter, $diameter, $diameter / 2);
    }

    public static function rectangle(float $length, float $width, float $cornerRadius): self
    {
        return new self(false, $length, $width, $cornerRadius);
    }

    /** Area in mm²: π·d²/4, or `l·w − (4 − π)·r²`. */
    public function area(): float
    {
        return $this->round
            ? M_PI * $this->length ** 2 / 4
            : $this->length * $this->width - (4 - M_PI) * $this->cornerRadius ** 2;
    }

    /** Length of the outline in mm. */
    public function perimeter(): float
    {
        return $this->round
            ? M_PI * $this->length
            : 2 * ($this->length + $this->width) - (8 - 2 * M_PI) * $this->cornerRadius;
    }

    /** The section a share $t (0 … 1) of the way towards $other; every dimension runs straight. */
    public function towards(self $other, float $t): self
    {
        return new self(
            $this->round,
            $this->length + ($other->length - $this->length) * $t,
            $this->width + ($other->width - $this->width) * $t,
            $this->cornerRadius + ($other->cornerRadius - $this->cornerRadius) * $t,
        );
    }

    /** Every length multiplied by $factor. */
    public function scaled(float $factor): self
    {
        return new self($this->round, $this->length * $factor, $this->width * $factor, $this->cornerRadius * $factor);
    }
}
