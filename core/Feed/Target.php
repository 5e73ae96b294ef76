<?php

declare(strict_types=1);

namespace KelpTub\Core\Feed;

/**
 * The EC that a tub is fed to at a stage, and what its plants like there, mS/cm.
 *
 * Before sprouting plain water; while young half of the crops' middle; then their middle; in bloom half-way from it to their upper figure.
 * A tub that is filled once gets its one strength from the start, and so, once sprouted, does one for which an EC is aimed at.
 * Source: handbook, season (target by stage).
 */
final readonly class Target
{
    private const YOUNG_SHARE = 0.5;

    /**
     * @param  float  $low  of where the crops' windows meet
     * @param  float  $high  of it
     * @param  float  $plain  EC of the water alone
     * @param  float|null  $once  strength of a first fill that is the last
     * @param  float|null  $aim  the same all through, as the grower wants it
     */
    public function __construct(
        public float $low,
        public float $high,
        private float $plain,
        private ?float $once = null,
        private ?float $aim = null,
    ) {
    }

    public function isOnce(): bool
    {
        return $this->once !== null;
    }

    public function middle(): float
    {
        return ($this->low + $this->high) / 2;
    }

    public function at(Stage $stage): float
    {
        return match (true) {
            $this->aim !== null && ($stage !== Stage::Sprouting || $this->once !== null) => $this->aim,
            $this->once !== null => $this->once,
            default => match ($stage) {
                Stage::Sprouting => $this->plain,
                Stage::Seedling => self::YOUNG_SHARE * $this->middle(),
                Stage::Grow => $this->middle(),
                Stage::Bloom => ($this->middle() + $this->high) / 2,
            },
        };
    }

    /**
     * What plants like at a stage: while young from half of the lower figure on, later the window; seeds want nothing.
     *
     * @return array{float, float} from and to
     */
    public function likes(Stage $stage): array
    {
        return [self::least($this->low, $stage), $this->high];
    }

    /** The least that a crop with a lower figure likes at a stage. */
    public static function least(float $low, Stage $stage): float
    {
        return match ($stage) {
            Stage::Sprouting => 0.0,
            Stage::Seedling => self::YOUNG_SHARE * $low,
            default => $low,
        };
    }

    /**
     * The strength of a first fill that is the last: what the plants will eat, and the least they like in what remains.
     *
     * `E₀ = min(high, max(low, (e·W₁·√climate + low·V_end)/V))`, `V_end = max(0, V − W₁·climate)`. Source: handbook, season.
     *
     * @param  float  $eaten  e·W₁ of all plants: middle EC times use to the first harvest at climate 1, mS/cm × L
     * @param  float  $drunk  W₁, litres
     * @param  float  $fill  V, litres
     */
    public static function once(float $low, float $high, float $eaten, float $drunk, float $climate, float $fill): float
    {
        if ($fill <= 0.0) {
            return $low;
        }

        return min($high, max($low, ($eaten * sqrt($climate) + $low * max(0.0, $fill - $drunk * $climate)) / $fill));
    }
}
