<?php

declare(strict_types=1);

namespace KelpTub\Core\Light;

/**
 * A lamp that hangs over leaves, and the light that falls on them. mm, W, µmol/m²s, mol/m² a day.
 *
 * Its photons fall on the lit field: its own outline widened by its height over the leaves on every side, a cone of 45°†, 85 %† of them
 * on it. Worked: 300 × 100 mm, 36 W at 2.0 µmol/J, 300 mm over the leaves light 900 × 700 mm: 97 µmol/m²s, in 16 h 5.6 mol/m².
 * Source: handbook, rules section 6 (a lamp).
 */
final readonly class Lamp
{
    /** What a lamp gives where the maker does not say, µmol/J; 1.5 to 3. */
    public const USUAL_UMOL_J = 2.0;

    public const USUAL_HEIGHT_MM = 300.0;

    /** A small lamp may hang so near, mm. */
    public const LEAST_HEIGHT_MM = 150.0;

    /** No plant wants light for longer than this, hours a day. */
    public const MOST_HOURS = 18.0;

    /** † share of the light that falls on the lit field; 0.75 to 0.95. */
    private const ON_FIELD = 0.85;

    /** Seconds of an hour and µmol of a mol. */
    private const MOL_AN_HOUR = 0.0036;

    private const MM2_A_M2 = 1.0e6;

    public function __construct(
        public ?string $key,
        public string $name,
        public float $watts,
        public float $umolPerJoule,
        public float $height,
        public float $length,
        public float $width,
        public float $leastHeight = self::LEAST_HEIGHT_MM,
    ) {
    }

    /** The lit field, m². */
    public function field(): float
    {
        return ($this->length + 2 * $this->height) * ($this->width + 2 * $this->height) / self::MM2_A_M2;
    }

    /** Photons on a square metre of leaves, µmol/m²s. */
    public function ppfd(): float
    {
        return self::ON_FIELD * $this->watts * $this->umolPerJoule / $this->field();
    }

    /** The light of a day of so many hours, mol/m². */
    public function mol(float $hours): float
    {
        return $this->ppfd() * $hours * self::MOL_AN_HOUR;
    }

    /** The hours that bring so much light; more than a day has where it is too weak for it. */
    public function hoursFor(float $mol): float
    {
        return $mol / ($this->ppfd() * self::MOL_AN_HOUR);
    }

    /** The height at which so many hours bring so much light; 0 or under where none does. */
    public function heightFor(float $mol, float $hours): float
    {
        $field = self::ON_FIELD * $this->watts * $this->umolPerJoule * $hours * self::MOL_AN_HOUR / $mol * self::MM2_A_M2;

        return (sqrt(($this->length - $this->width) ** 2 + 4 * $field) - $this->length - $this->width) / 4;
    }

    /** The watts that bring so much light in so many hours as it hangs. */
    public function wattsFor(float $mol, float $hours): float
    {
        return $mol / ($hours * self::MOL_AN_HOUR) * $this->field() / (self::ON_FIELD * $this->umolPerJoule);
    }

    /** What it draws in a month of so many hours a day, kWh. */
    public function kwhAMonth(float $hours): float
    {
        return $this->watts * $hours * 365 / 12 / 1000;
    }

    /** One like it of so many watts. */
    public function of(float $watts): self
    {
        return new self(
            null,
            sprintf('%d W lamp', $watts),
            $watts,
            $this->umolPerJoule,
            $this->height,
            $this->length,
            $this->width,
            $this->leastHeight,
        );
    }

    /** The same hung at another height. */
    public function at(float $height): self
    {
        return new self(
            $this->key, $this->name, $this->watts, $this->umolPerJoule, $height, $this->length, $this->width, $this->leastHeight,
        );
    }
}
