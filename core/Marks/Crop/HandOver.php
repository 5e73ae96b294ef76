<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Crop;

use KelpTub\Core\Crop\Crop;
use KelpTub\Core\Crop\CropShare;
use KelpTub\Core\Crop\StartedFrom;
use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\Marks\Tub\TubPlan;
use KelpTub\Core\Marks\Tub\TubPlans;
use stdClass;

/**
 * Plants that go from the nurseries of a garden to the tubs that take theirs from one: who raises how many of each crop, who takes how
 * many, and on which day after they were set in the nursery. Source: handbook, build (before the first screw), rules section 10.
 */
final readonly class HandOver
{
    /**
     * @param  array<string, list<array{TubPlan, CropShare}>>  $raised  by crop
     * @param  array<string, list<array{TubPlan, CropShare}>>  $wanted  by crop
     */
    private function __construct(private array $raised, private array $wanted)
    {
    }

    public static function of(TubPlans $plans): self
    {
        $raised = $wanted = [];
        foreach ($plans->tubs as $plan) {
            foreach ($plan->plants->mix->shares as $share) {
                if ($plan->tub->planting->started === StartedFrom::Nursery) {
                    $wanted[$share->crop->key][] = [$plan, $share];
                } elseif ($plan->tub->system === GrowingSystem::Nursery) {
                    $raised[$share->crop->key][] = [$plan, $share];
                }
            }
        }

        return new self($raised, $wanted);
    }

    /** @return list<TubPlan> nurseries that raise a crop */
    public function raising(string $crop): array
    {
        return array_column($this->raised[$crop] ?? [], 0);
    }

    /** How many of a crop the nurseries raise at a time, those alike counted each. */
    public function raised(string $crop): int
    {
        return self::sum($this->raised[$crop] ?? []);
    }

    /** How many of a crop the growing tubs take. */
    public function wanted(string $crop): int
    {
        return self::sum($this->wanted[$crop] ?? []);
    }

    /** How often a nursery has to be filled until there are enough. */
    public static function turns(int $wanted, int $raised): int
    {
        return (int) ceil($wanted / $raised);
    }

    /** @return list<TubPlan> the tubs that take a crop from a nursery */
    public function taking(string $crop): array
    {
        return array_column($this->wanted[$crop] ?? [], 0);
    }

    /**
     * The day after it was set in the nursery on which a crop goes over: a plug goes in when it has sprouted, seed in the cups takes as
     * much longer. Null for young plants, whose roots alone can tell.
     */
    public static function day(TubPlan $nursery, CropShare $share): ?int
    {
        return match ($nursery->tub->planting->started) {
            StartedFrom::Plug => max(0, $share->crop->daysSowToTransplant - self::daysInPlugs($nursery, $share->crop)),
            StartedFrom::Seed => $share->crop->daysSowToTransplant,
            default => null,
        };
    }

    /** Days from sowing a plug until it is set into a tub: into a nursery when it has sprouted, elsewhere when its roots show. */
    public static function daysInPlugs(TubPlan $tub, Crop $crop): int
    {
        return $tub->tub->system === GrowingSystem::Nursery ? $crop->daysGerminate : $crop->daysSowToTransplant;
    }

    /** By so many days a nursery is planted before the tubs that take from it: those of its slowest crop that is waited for. */
    public function ahead(TubPlan $tub): int
    {
        $waitedFor = array_filter(
            $tub->tub->system === GrowingSystem::Nursery ? $tub->plants->mix->shares : [],
            fn (CropShare $share): bool => $this->wanted($share->crop->key) > 0,
        );

        return max([0, ...array_map(static fn (CropShare $share): int => self::day($tub, $share) ?? 0, $waitedFor)]);
    }

    /** @return list<stdClass> what each nursery raises, in the garden's order */
    public function toReport(): array
    {
        $report = [];
        foreach ($this->raised as $crop => $raised) {
            foreach ($raised as [$plan, $share]) {
                $report[] = (object) [
                    'tub' => $plan->tub->id,
                    'crop' => (string) $crop,
                    'name' => $share->crop->name,
                    'plants' => $share->plants * $plan->tub->count,
                    'wanted' => $this->wanted((string) $crop),
                    'for' => array_map(static fn (TubPlan $p): string => $p->tub->id, $this->taking((string) $crop)),
                    'sown_before_days' => $plan->tub->planting->started === StartedFrom::Plug ? self::daysInPlugs($plan, $share->crop) : 0,
                    'hand_over_day' => self::day($plan, $share),
                ];
            }
        }

        return $report;
    }

    /** @param  list<array{TubPlan, CropShare}>  $of */
    private static function sum(array $of): int
    {
        return (int) array_sum(array_map(static fn (array $one): int => $one[1]->plants * $one[0]->tub->count, $of));
    }
}
