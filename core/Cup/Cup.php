<?php

declare(strict_types=1);

namespace KelpTub\Core\Cup;

/**
 * A net cup: lip and body diameters and the height from the underside of the lip, in mm.
 *
 * Source: handbook, rules section 3.
 */
final readonly class Cup
{
    public function __construct(
        public ?string $key,
        public string $name,
        public float $lip,
        public float $top,
        public float $bottom,
        public float $height,
        public bool $homeMade,
    ) {
    }

    /** A cup that is called by its least size may be this much narrower under the lip, mm. */
    private const NOMINAL_MM = 2.0;

    /** Whether a crop that wants a cup of so many mm grows in this one. */
    public function suits(float $least): bool
    {
        return $this->top >= $least - self::NOMINAL_MM;
    }

    /** Whether it hangs by its lip in an opening of so many mm, its body going through. */
    public function hangsIn(float $opening): bool
    {
        return $this->top <= $opening && $opening < $this->lip;
    }

    /** Diameter of the body at a height above its bottom, in mm. */
    public function diameterAt(float $above): float
    {
        return $this->bottom + ($this->top - $this->bottom) * max(0.0, min(1.0, $above / $this->height));
    }

    /**
     * Litres inside the cup below a height above its bottom: the frustum `π·h/12·(d0² + d0·d1 + d1²)`.
     * A 58/50/36 cup, 52 high, holds 0.0762 L.
     */
    public function litresBelow(float $above): float
    {
        $h = max(0.0, min($this->height, $above));
        $d = $this->diameterAt($h);

        return M_PI * $h / 12 * ($this->bottom ** 2 + $this->bottom * $d + $d ** 2) / 1.0e6;
    }

    /** Litres the cup holds when full. */
    public function litres(): float
    {
        return $this->litresBelow($this->height);
    }
}
