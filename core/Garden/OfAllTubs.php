<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

/**
 * What every planted tub of a garden says for one and the same reason, a frost that none lives through, is said once, of the garden: by the
 * tub where most is amiss. A garden of one tub says it of that tub.
 */
final class OfAllTubs
{
    /**
     * @template T of Finding|ListedFinding
     *
     * @param  array<int, T>  $findings  of all tubs, and of the garden
     * @return list<T>
     */
    public static function once(Garden $garden, array $findings): array
    {
        $planted = count(array_filter($garden->tubs, static fn (Tub $tub): bool => $tub->planting->crops !== []));
        $by = [];
        foreach ($findings as $i => $finding) {
            if ($finding->ofGarden !== null) {
                $by[$finding->code][$i] = $finding->by;
            }
        }
        foreach ($by as $amiss) {
            if ($planted > 1 && count($amiss) === $planted) {
                $speaks = array_search(max($amiss), $amiss, true);
                $findings = [$speaks => $findings[$speaks]->saidOfGarden()] + array_diff_key($findings, $amiss);
                ksort($findings);
            }
        }

        return array_values($findings);
    }
}
