<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Build;

use DateTimeImmutable;
use KelpTub\Core\Build\Caution;
use KelpTub\Core\Build\Step;
use KelpTub\Core\Feed\Water;
use KelpTub\Core\Garden\Plan;
use KelpTub\Core\Garden\Tub;
use KelpTub\Core\Marks\Air\AirPlan;
use KelpTub\Core\Marks\Air\AirPlans;
use KelpTub\Core\Marks\Crop\HandOver;
use KelpTub\Core\Marks\Feed\FeedPlan;
use KelpTub\Core\Marks\Feed\FeedPlans;
use KelpTub\Core\Marks\Tub\TubPlan;
use KelpTub\Core\Marks\Tub\TubPlans;
use KelpTub\Core\Units\QuantityWriter;

/** A tub while it is built: what its steps are written from, the steps so far, and how it stands by then. */
final class Bench
{
    /** † Minutes for one tub, and for each of what a step handles. Waiting is not work: it is in the plan of days. */
    private const MINUTES = [
        'sow' => [10, 1], 'raise' => [10, 1], 'young' => [15, 0], 'check' => [5, 0], 'measure' => [10, 0],
        'make-cups' => [5, 4], 'open-cups' => [2, 1],
        'mark' => [5, 2], 'pilot' => [3, 1], 'saw' => [5, 2], 'cut' => [5, 5], 'deburr' => [3, 1],
        'tube-hole' => [5, 0], 'sight-tube' => [20, 0], 'adapter' => [20, 0], 'board' => [25, 3], 'bottle' => [10, 0], 'cover' => [30, 0],
        'wash' => [15, 0], 'pair' => [20, 0], 'stand' => [5, 0], 'route' => [10, 3], 'stones' => [5, 2], 'pump' => [10, 0],
        'drip' => [20, 2],
        'wet-test' => [15, 0], 'spray-test' => [15, 0], 'fill' => [10, 0], 'balance' => [10, 0], 'stand-water' => [2, 0], 'feed' => [10, 0],
        'ph' => [10, 0], 'plant' => [5, 3], 'support' => [15, 1], 'light-check' => [5, 0], 'log' => [5, 0],
    ];

    /** † What getting ready for a step takes on a further tub alike, of what it takes on the first: the tools are out already. */
    private const AGAIN = 0.5;

    /** @var list<Step> */
    public array $steps = [];

    /** How high the water stands at the step that comes next, mm. */
    public float $standing = 0.0;

    private bool $isPlanted = false;

    public readonly TubPlan $tub;

    public readonly Raising $raising;

    public readonly StepParts $parts;

    public readonly QuantityWriter $write;

    public readonly Templates $marks;

    public readonly FeedPlan $feed;

    public readonly ?AirPlan $air;

    public readonly Water $source;

    public readonly HandOver $handOver;

    public function __construct(Plan $plan, Tub $tub)
    {
        $this->tub = $plan->get(TubPlans::class)->tubs[$tub->id];
        $this->write = new QuantityWriter($plan->garden->units);
        $this->handOver = HandOver::of($plan->get(TubPlans::class));
        $start = $plan->garden->site->weather->start;
        $this->raising = new Raising(
            $this->tub,
            $plan->garden->site,
            $this->write,
            // A nursery is planted so much before the tubs that wait for it.
            $start === null ? null : (new DateTimeImmutable($start))->modify("-{$this->handOver->ahead($this->tub)} days")->format('Y-m-d'),
        );
        $this->parts = new StepParts($plan, $this->tub, $this->write, $this->raising->shares !== []);
        $this->feed = $plan->get(FeedPlans::class)->of($tub->id);
        $this->marks = new Templates($this->feed, $plan->garden);
        $air = null;
        foreach ($plan->get(AirPlans::class)->systems as $system) {
            $air ??= in_array($this->tub, $system->tubs, true) ? $system : null;
        }
        $this->air = $air;
        $this->source = $plan->get(FeedPlans::class)->wishes->water;
    }

    /**
     * @param  array<string, string>  $figures
     * @param  list<Caution>  $cautions
     * @param  int  $many  of what the step handles one after another, in one tub
     * @param  string|null  $ifNot  what to look for first where it is not so
     * @param  list<string>  $finds  names of figures that the step itself finds out
     */
    public function step(
        string $key,
        string $title,
        string $does,
        array $figures,
        array $cautions,
        string $drawing,
        string $highlight,
        string $doneWhen,
        int $many = 0,
        ?string $ifNot = null,
        array $finds = [],
    ): void {
        [$tools, $parts] = $this->parts->at($key);
        $this->standing = $key === 'fill' ? $this->tub->water->line->start : $this->standing;
        $this->isPlanted = $this->isPlanted || $key === 'plant';
        $this->steps[] = new Step(
            $key,
            $title,
            $does,
            $figures,
            $tools,
            $parts,
            self::minutes($key, $many, $this->tub->tub->count),
            $cautions,
            $drawing,
            $highlight,
            $this->standing,
            $this->isPlanted,
            $doneWhen,
            $ifNot,
            $finds,
        );
    }

    /** What a step takes on so many tubs alike, one after another. */
    private static function minutes(string $key, int $many, int $tubs): int
    {
        [$once, $each] = self::MINUTES[$key];

        return (int) ceil($once * (1.0 + self::AGAIN * ($tubs - 1)) + $each * $many * $tubs);
    }
}
