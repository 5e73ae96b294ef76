<?php

declare(strict_types=1);

namespace KelpTub\Core\Wish;

use KelpTub\Core\Air\Supply;
use KelpTub\Core\Cost\Need;
use KelpTub\Core\Garden\Finding;
use KelpTub\Core\Garden\Plan;
use KelpTub\Core\Garden\Severity;
use KelpTub\Core\Marks\Air\AirPlans;
use stdClass;

/** A whole design as it was planned: its garden, what it comes to, and what the rules say against it. */
final class Tried
{
    /** What the rules say of money and of what a floor bears is held against the wish itself. */
    private const OF_THE_WISH = ['cost.over-cap', 'vessel.shelf'];

    private ?stdClass $figures = null;

    /**
     * @param  non-empty-list<TubChoice>  $tubs
     * @param  list<Finding>  $findings
     */
    public function __construct(
        public readonly array $tubs,
        public readonly stdClass $document,
        public readonly Plan $plan,
        private readonly array $findings,
    ) {
    }

    /** As the answer gives them. */
    public function figures(): stdClass
    {
        return $this->figures ??= (new DesignFigures($this->plan))->toAnswer();
    }

    /** @return list<Finding> what must not be built so */
    public function stops(): array
    {
        return $this->saying(Severity::Stop);
    }

    /** @return list<Finding> what would work badly */
    public function mends(): array
    {
        return $this->saying(Severity::Mend);
    }

    /** @return list<Finding> */
    private function saying(Severity $severity): array
    {
        return array_values(array_filter(
            $this->findings,
            static fn (Finding $f): bool => $f->severity === $severity && ! in_array($f->code, self::OF_THE_WISH, true),
        ));
    }

    public function isSound(): bool
    {
        return $this->stops() === [] && $this->mends() === [];
    }

    /** Whether something worse than to be minded is said of its air. */
    public function lacksAir(): bool
    {
        return array_filter(
            [...$this->stops(), ...$this->mends()],
            static fn (Finding $f): bool => str_starts_with($f->code, 'air.') || $f->code === 'season.air',
        ) !== [];
    }

    /** Whether its water becomes much too weak or too strong. */
    public function isOfWrongStrength(): bool
    {
        return array_filter($this->mends(), static fn (Finding $f): bool => $f->code === 'season.salt') !== [];
    }

    /** Whether its plants have less light than they want. */
    public function isDim(): bool
    {
        return $this->isSaid('crop.light', 'season.slow');
    }

    /** Whether its water becomes too warm. */
    public function isHot(): bool
    {
        return $this->isSaid('season.warm', 'vessel.sun');
    }

    private function isSaid(string ...$codes): bool
    {
        return array_filter($this->findings, static fn (Finding $f): bool => in_array($f->code, $codes, true)) !== [];
    }

    /** Whether it stands in the sun. */
    public function isInSun(): bool
    {
        return $this->plan->garden->site->inSun();
    }

    /** Whether it has a pump. */
    public function hasAir(): bool
    {
        return $this->document->air !== [];
    }

    /** Whether its pump runs by the mains. */
    public function wantsMains(): bool
    {
        foreach ($this->plan->get(AirPlans::class)->systems as $air) {
            if ($air->system->pump->supply !== Supply::Solar) {
                return true;
            }
        }

        return false;
    }

    public function wantsDrill(): bool
    {
        return array_filter($this->plan->needs(), static fn (Need $need): bool => $need->key === 'drill') !== [];
    }

    /** What it brings in a week, g. */
    public function grams(): float
    {
        return (new DesignFigures($this->plan))->gramsAWeek();
    }

    /** What it takes up, mm², with nothing between tubs. */
    public function area(): float
    {
        return (float) array_sum(array_map(
            static fn (TubChoice $t): float => $t->count * array_product(TubChoice::sides($t->vessel)),
            $this->tubs,
        ));
    }

    /** How high the highest plant stands when grown, over what its tub stands on, mm. */
    public function height(): float
    {
        return max([0.0, ...array_map(static fn (TubChoice $t): float => $t->lidTop + $t->bed->height(), $this->tubs)]);
    }

    /** @return list<array{string, int, float, float}> as FloorPlan wants them */
    public function stands(): array
    {
        return array_map(
            static fn (TubChoice $t, stdClass $raw): array => [$raw->id, $t->count, ...TubChoice::sides($t->vessel)],
            $this->tubs,
            $this->document->tubs,
        );
    }

    /**
     * By which designs are held against one another, each the less the better: money, work, harvest, how long it can be left and stands
     * without power, and room.
     *
     * @return list<float>
     */
    public function burden(): array
    {
        $figures = $this->figures();

        return [
            round($figures->outlay, 2),
            (float) $figures->visits_a_week,
            -round($figures->g_a_week[1]),
            -(float) $figures->away_days,
            -round($figures->outage_min ?? 1.0e6),
            round($this->area() / 100),
        ];
    }

    /** A name for what it is made of: the same design has the same. */
    public function key(): string
    {
        $pump = $this->document->air[0]->pump ?? 'still';

        return implode('-', [...array_map(
            static fn (TubChoice $t): string => "$t->count-{$t->key()}",
            $this->tubs,
        ), $pump]);
    }
}
