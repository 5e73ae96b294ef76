<?php

declare(strict_types=1);

namespace KelpTub\Core\Air;

/**
 * One tube to one tub with stones in parallel at its end, as the pump feels it. Lengths in mm, flows in L/min, pressures in kPa.
 *
 * `Δp = 9.81·h + p_stone + R_stone·q/k + R_tube·q + R_valve·q² + p_check`, `R_valve = 0.5·(1/v² − 1)`. Source: handbook, rules section 7.
 */
final readonly class Line
{
    public const KPA_PER_METRE_OF_WATER = 9.81;

    /** † opening pressure of a check valve, kPa. */
    public const CHECK_VALVE_KPA = 1.0;

    private const VALVE_FACTOR = 0.5;

    /** What must be overcome before any air flows, kPa. */
    private float $threshold;

    private float $linear;

    /** Null when the valve is closed. */
    private ?float $quadratic;

    public function __construct(
        public Stone $stone,
        public int $stones,
        public float $submergence,
        private Tube $tube,
        private float $tubeLength,
        float $valve,
        private bool $checkValve,
    ) {
        $this->threshold = self::KPA_PER_METRE_OF_WATER * $submergence / 1000
            + $stone->bubble->wettingPressure()
            + ($checkValve ? self::CHECK_VALVE_KPA : 0.0);
        $this->linear = $stone->resistance / $stones + $tube->resistance($tubeLength);
        $this->quadratic = $valve > 0.0 ? self::VALVE_FACTOR * (1 / $valve ** 2 - 1) : null;
    }

    /** The same line with its valve at another setting. */
    public function withValve(float $valve): self
    {
        return new self($this->stone, $this->stones, $this->submergence, $this->tube, $this->tubeLength, $valve, $this->checkValve);
    }

    /** The same for lines that take the same air at any pressure. */
    public function resistances(): string
    {
        return pack('e3', $this->threshold, $this->linear, $this->quadratic ?? INF);
    }

    /** Air in L/min that flows at a pressure at the head of the line; never negative. */
    public function flowAt(float $pressure): float
    {
        $drive = $pressure - $this->threshold;
        if ($drive <= 0.0 || $this->quadratic === null) {
            return 0.0;
        }
        if ($this->quadratic <= 0.0) {
            return $this->linear > 0.0 ? $drive / $this->linear : INF;
        }

        return (-$this->linear + sqrt($this->linear ** 2 + 4 * $this->quadratic * $drive)) / (2 * $this->quadratic);
    }
}
