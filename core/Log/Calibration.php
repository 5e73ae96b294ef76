<?php

declare(strict_types=1);

namespace KelpTub\Core\Log;

use KelpTub\Core\Units\QuantityWriter;
use stdClass;

/**
 * What a probe shows against what is so, by two fluids whose values are known: a straight line through both. The slope is what is left of
 * the probe's own: pH electrodes go by 92 to 105 % of it while they are good and are spent below 85 %; an EC cell that is off by more than
 * a fifth is fouled. Source: handbook, log (meter); usual practice of calibration.
 */
final readonly class Calibration
{
    private const PH_GOOD = [0.92, 1.05];

    private const PH_SPENT = 0.85;

    private const EC_GOOD = [0.8, 1.25];

    /** Fluids nearer to each other tell no slope: in pH, and as a share of EC. */
    private const LEAST_PH = 1.5;

    private const LEAST_EC_SHARE = 1.3;

    private function __construct(
        public bool $isPh,
        public float $low,
        public float $lowShown,
        public float $high,
        public float $highShown,
        public string $at,
    ) {
    }

    /**
     * @param  string  $what  `ph` or `ec`
     * @return self|array<string, string> the calibration, or what is wrong with it by its members
     */
    public static function of(string $what, stdClass $raw): self|array
    {
        $isPh = $what === 'ph';
        $near = $isPh ? $raw->high - $raw->low < self::LEAST_PH : $raw->high < self::LEAST_EC_SHARE * $raw->low;

        return match (true) {
            $raw->high <= $raw->low => [
                'high' => sprintf('is %s, and the other fluid has %s; this one is the higher', ...self::pair($raw)),
            ],
            $near => ['high' => sprintf('is %s, too near to %s to tell a slope', ...self::pair($raw))],
            $raw->high_shown <= $raw->low_shown => [
                'high_shown' => 'is no more than in the lower fluid: the fluids were changed over, or the probe stands still',
            ],
            default => new self(
                $isPh,
                (float) $raw->low,
                (float) $raw->low_shown,
                (float) $raw->high,
                (float) $raw->high_shown,
                $raw->at ?? '',
            ),
        };
    }

    /** @return array{string, string} */
    private static function pair(stdClass $raw): array
    {
        return [QuantityWriter::plain((float) $raw->high, 3), QuantityWriter::plain((float) $raw->low, 3)];
    }

    /** What is left of the probe's own slope, 1 where it shows what is so. */
    public function slope(): float
    {
        return ($this->highShown - $this->lowShown) / ($this->high - $this->low);
    }

    /** What is so where the probe shows this; never less than nothing. */
    public function true(float $shown): float
    {
        return max(0.0, $this->low + ($shown - $this->lowShown) / $this->slope());
    }

    /** How good the probe is by it: `good`, `tired`, `spent` or `doubtful`. */
    public function word(): string
    {
        $slope = $this->slope();
        [$least, $most] = $this->isPh ? self::PH_GOOD : self::EC_GOOD;

        return match (true) {
            $slope > $most => 'doubtful',
            $slope >= $least => 'good',
            $this->isPh && $slope >= self::PH_SPENT => 'tired',
            default => $this->isPh ? 'spent' : 'tired',
        };
    }

    public function says(): string
    {
        return sprintf('Its slope is %d %%: ', (int) round($this->slope() * 100)).match ($this->word()) {
            'good' => 'it is good.',
            'tired' => $this->isPh
                ? 'it ages. Soak it in storage fluid over night, and calibrate again.'
                : 'it is fouled. Clean it with a drop of dish soap and a soft brush, rinse it, and calibrate again.',
            'spent' => 'it is spent. Until you have a new one, go by drops.',
            default => 'no probe shows more than is so. One of the fluids is old, or they were changed over.',
        };
    }
}
