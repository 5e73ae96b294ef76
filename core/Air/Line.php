<?php

declare(strict_types=1);

namespace KelpTub\Core\Air;

use KelpTub\Core\Numbers\Crossing;

/**
 * One tube to one tub with stones in parallel at its end, as the pump feels it. Lengths in mm, flows in L/min, pressures in kPa.
 *
 * `Δp = 9.81·h + p_stone + R_stone·q/k + R_tube·q + R_valve·q² + p_check`, `R_valve = 0.5·(1/v² − 1)`. Unlike stones share the pressure
 * at the end of the tube. Source: handbook, rules section 7.
 */
final readonly class Line
{
    public const KPA_PER_METRE_OF_WATER = 9.81;

    /** † opening pressure of a check valve, kPa. */
    public const CHECK_VALVE_KPA = 1.0;

    private const VALVE_FACTOR = 0.5;

    private const TOLERANCE_L_MIN = 1.0e-10;

    /** Null when the valve is closed. */
    private ?float $valveFactor;

    private float $tubeFactor;

    /** @param  non-empty-list<Outflow>  $outflows */
    public function __construct(public array $outflows, float $tubeResistance, float $valve, private float $ahead)
    {
        $this->tubeFactor = $tubeResistance;
        $this->valveFactor = $valve > 0.0 ? self::VALVE_FACTOR * (1 / $valve ** 2 - 1) : null;
    }

    /**
     * @param  int  $checkValves  in the line, one after the other
     */
    public static function of(
        StoneSet $stones,
        float $waterLine,
        Tube $tube,
        float $tubeLength,
        float $valve,
        int $checkValves,
        float $clogging = 1.0,
    ): self {
        return new self(
            array_map(
                static fn (StoneSet $set): Outflow => Outflow::of($set, max(0.0, $waterLine - $set->height), $clogging),
                $stones->sets(),
            ),
            $tube->resistance($tubeLength),
            $valve,
            $checkValves * self::CHECK_VALVE_KPA,
        );
    }

    /** The same line with its valve at another setting. */
    public function withValve(float $valve): self
    {
        return new self($this->outflows, $this->tubeFactor, $valve, $this->ahead);
    }

    /** The same for lines that take the same air at any pressure. */
    public function resistances(): string
    {
        $of = '';
        foreach ($this->outflows as $outflow) {
            $of .= pack('e2', $outflow->threshold, $outflow->resistance);
        }

        return pack('e3', $this->tubeFactor, $this->valveFactor ?? INF, $this->ahead).$of;
    }

    /** Air in L/min that flows at a pressure at the head of the line; never negative. */
    public function flowAt(float $pressure): float
    {
        if ($this->valveFactor === null) {
            return 0.0;
        }
        $drive = $pressure - $this->ahead;
        if (count($this->outflows) > 1) {
            return $this->throughUnlike($drive);
        }
        $drive -= $this->outflows[0]->threshold;
        if ($drive <= 0.0) {
            return 0.0;
        }
        $linear = $this->outflows[0]->resistance + $this->tubeFactor;
        // The form that does not subtract nearly equal numbers: a valve all but open is no more than an open one.
        $sum = $linear + sqrt($linear ** 2 + 4 * $this->valveFactor * $drive);

        return $sum > 0.0 ? 2 * $drive / $sum : INF;
    }

    /** The pressure at the head of the line, its valve open, at which so much flows. */
    public function pressureFor(float $flow): float
    {
        return $this->ahead + $this->tubeFactor * $flow + $this->endFor($flow);
    }

    /**
     * Of a flow in the line what each set of stones gets, L/min.
     *
     * @return list<float>
     */
    public function dealt(float $flow): array
    {
        if (count($this->outflows) === 1) {
            return [$flow];
        }
        $end = $this->endFor($flow);

        return array_map(static fn (Outflow $o): float => $flow > 0.0 ? $o->flowAt($end) : 0.0, $this->outflows);
    }

    /** The pressure at the end of the tube at which its stones together take a flow. */
    private function endFor(float $flow): float
    {
        $least = min(array_map(static fn (Outflow $o): float => $o->threshold, $this->outflows));
        if (count($this->outflows) === 1) {
            return $least + $this->outflows[0]->resistance * $flow;
        }
        $most = max(array_map(static fn (Outflow $o): float => $o->threshold + $o->resistance * $flow, $this->outflows));

        return Crossing::of(fn (float $end): float => $flow - $this->takenAt($end), $least, $most, self::TOLERANCE_L_MIN);
    }

    private function throughUnlike(float $drive): float
    {
        $most = $this->takenAt($drive);
        if ($most <= 0.0 || is_infinite($most)) {
            return $most;
        }

        return Crossing::of(
            fn (float $flow): float => $this->takenAt(
                $drive - $this->tubeFactor * $flow - ($this->valveFactor ?? 0.0) * $flow ** 2,
            ) - $flow,
            0.0,
            $most,
            self::TOLERANCE_L_MIN,
        );
    }

    private function takenAt(float $end): float
    {
        return array_sum(array_map(static fn (Outflow $o): float => $o->flowAt($end), $this->outflows));
    }
}
