<?php

declare(strict_types=1);

namespace KelpTub\Core\Log;

/** All that a log seems to say, the surest first: from numbers, from signs, from both together, and of the meter itself. */
final class Diagnosis
{
    /** A meter is judged by so many days. */
    private const PROBE_DAYS = 30.0;

    /** @return list<Suspicion> */
    public static function of(LogCase $case): array
    {
        $water = new WaterDiagnosis($case);
        $all = [
            ...$water->all(),
            ...(new SignDiagnosis($case, $water))->all(),
            ...(new ProbeDiagnosis($case->recent(self::PROBE_DAYS), $case->now))->all(),
        ];
        // That all goes as forecast is said when nothing else is.
        $isAmiss = array_filter($all, static fn (Suspicion $s): bool => ! in_array($s->code, ['log.matched', 'log.ph-needs'], true)) !== [];
        $all = array_values(array_filter($all, static fn (Suspicion $s): bool => $s->code !== 'log.matched' || ! $isAmiss));
        usort($all, static fn (Suspicion $a, Suspicion $b): int => $b->sure <=> $a->sure);

        return $all;
    }
}
