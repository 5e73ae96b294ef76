<?php

declare(strict_types=1);

namespace KelpTub\Core\Season;

/**
 * Somebody who writes down what they do: between the first and the last evening of the log what it tells was done and nothing else, before
 * and after it the policy is kept. Source: handbook, log (where it is kept: three keepers).
 */
final readonly class KeptByLog implements Keeper
{
    /**
     * @param  array<int, Deeds>  $done  by evening, as the season counts its days
     * @param  int|null  $from  the first evening that the log tells of; null of a log that tells of no water
     * @param  int|null  $to  the last one
     */
    public function __construct(private Keeper $otherwise, private array $done, private ?int $from, private ?int $to)
    {
    }

    public function deeds(SeasonTub $tub, SeasonState $evening, bool $misses = false): Deeds
    {
        $day = $evening->day - 1;
        $told = $this->done[$day] ?? null;
        if ($this->from !== null && $day >= $this->from && $day <= $this->to) {
            return $told ?? Deeds::none();
        }
        if ($told !== null && $told->areWet()) {
            return $told;
        }
        $deeds = $this->otherwise->deeds($tub, $told?->found?->of($evening) ?? $evening, $misses);

        return $told?->found === null ? $deeds : new Deeds(...[...get_object_vars($deeds), 'found' => $told->found]);
    }
}
