<?php

declare(strict_types=1);

namespace KelpTub\Core\Season;

use KelpTub\Core\Crop\TopUps;

/**
 * How a tub is looked after: when and how it is topped up, when its water is changed, and whether it is made stronger when its plants
 * come to a stage that wants more. Source: handbook, season (events of the policy, strengthening).
 */
final readonly class Policy implements Keeper
{
    /** A change that the calendar has so soon makes the water up anyway, days. */
    private const SOON_DAYS = 3;

    /** Less than this is not worth stirring in, mS/cm. */
    private const LITTLE_EC = 0.1;

    private const ROUNDING_L = 1.0e-9;

    /** Days from one change to the next; null where the calendar has none. */
    private ?int $changeDays;

    /** Share of what can be used that is gone when the tub is topped up; null where no school asks for it. */
    private ?float $usedShare;

    /** @param  list<TopUp>  $planned  besides what the school brings */
    public function __construct(
        public TopUps $topUps,
        public TopUpStrength $strength,
        public ChangeSchool $change,
        public array $planned = [],
        public bool $strengthens = true,
    ) {
        $this->changeDays = $change->days();
        $this->usedShare = $topUps === TopUps::None ? null : $topUps->usedShare();
    }

    /** Whether the first fill is the last: nothing is put in. */
    public function isOneFill(): bool
    {
        return $this->topUps === TopUps::None && $this->change === ChangeSchool::Never && $this->planned === [];
    }

    public function deeds(SeasonTub $tub, SeasonState $evening, bool $misses = false): Deeds
    {
        $isDue = $this->isChangeDue($tub, $evening);
        if ($isDue && ! $misses) {
            return new Deeds(change: true);
        }
        $stronger = $evening->turned && ! $isDue ? $this->strengthening($tub, $evening) : null;
        $topUp = $this->topUp($tub, $evening);

        return $stronger === null && $topUp <= 0.0 && ! $isDue ? Deeds::none() : new Deeds(
            stronger: $stronger ?? 0.0,
            topUp: $topUp,
            topUpShare: $this->strength->share(),
            settled: $isDue || $stronger === 0.0,
            misses: $isDue,
        );
    }

    private function isChangeDue(SeasonTub $tub, SeasonState $evening): bool
    {
        return $this->change === ChangeSchool::ByVolume
            ? $evening->toppedUp >= $tub->fill - self::ROUNDING_L
            : $this->changeDays !== null && $evening->day - $evening->changed >= $this->changeDays;
    }

    /**
     * By how much the water that is there is made stronger, since the stage has turned: as soon as roots reach it and it is too weak. 0
     * where a change that comes soon sees to it; null where there is nothing to do on this evening.
     */
    private function strengthening(SeasonTub $tub, SeasonState $evening): ?float
    {
        $target = $tub->mixing->target;
        $ec = $evening->ec();
        $strongest = $tub->mixing->strongest($evening->stage);
        $leader = $tub->leader($evening->ages, $evening->died);
        if (
            ! $this->strengthens || $this->isOneFill() || $tub->mixing->isSimple()
            || $target === null || $ec === null || $strongest === null || $leader === null
        ) {
            return null;
        }
        $gap = $tub->gapAt($tub->reservoir->levelFor($evening->volume));
        $by = min($target->at($evening->stage), $strongest) - $ec;
        if ($by <= self::LITTLE_EC || $tub->stands[$leader]->roots($evening->ages[$leader]) < $gap) {
            return null;
        }

        return $this->changeDays !== null && $evening->changed + $this->changeDays - $evening->day <= self::SOON_DAYS ? 0.0 : $by;
    }

    /** What is poured in on an evening, litres. */
    private function topUp(SeasonTub $tub, SeasonState $evening): float
    {
        $litres = 0.0;
        $gone = $tub->fill - $evening->volume;
        if ($this->usedShare !== null && $tub->usable > 0.0 && $gone >= $this->usedShare * $tub->usable - self::ROUNDING_L) {
            $litres = match ($this->topUps) {
                TopUps::Quarter => min($gone, $tub->start / 4),
                TopUps::Half => min($gone, $tub->start / 2),
                default => $gone,
            };
        }
        foreach ($this->planned as $planned) {
            if ((int) floor($planned->day) === $evening->day - 1) {
                $litres += $planned->litres;
            }
        }

        return $litres <= 0.0 ? 0.0 : max(0.0, min($litres, $tub->brim - $evening->volume));
    }
}
