<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Build;

use KelpTub\Core\Cost\Need;
use KelpTub\Core\Cost\NeedKind;
use KelpTub\Core\Cost\NeedStage;
use KelpTub\Core\Cup\SawSeries;
use KelpTub\Core\Garden\Plan;
use KelpTub\Core\Garden\TubExtra;
use KelpTub\Core\Marks\Tub\TubeHole;
use KelpTub\Core\Marks\Tub\TubPlan;
use KelpTub\Core\Units\QuantityWriter;
use KelpTub\Core\Vessel\NestedPair;

/** At which steps each part and tool of a tub is used. */
final readonly class StepParts
{
    /** Steps that use a part of this key: a part at one, a tool at each. */
    private const STEPS = [
        'drill' => ['pilot', 'saw', 'tube-hole', 'sight-tube', 'pair'],
        'drill-guide' => ['pilot'],
        'knife' => ['make-cups', 'open-cups', 'adapter', 'board', 'bottle', 'cut'],
        'compass' => ['adapter', 'board'],
        'marker' => ['mark'],
        'rule' => ['check', 'mark'],
        'file' => ['deburr'],
        'jug' => ['measure', 'fill', 'feed'],
        'thermometer' => ['log'],
        'paint-dark' => ['cover'],
        'paint-light' => ['cover'],
        'foil' => ['cover'],
        'sleeve' => ['cover'],
        'liner-bag' => ['cover'],
        'masking-tape' => ['cover', 'bottle'],
        'foam-board' => ['board'],
        'foam-collar' => ['plant'],
        'adapter-disc' => ['adapter'],
        'block' => ['pair'],
        'grommet' => ['pair'],
        'batten' => ['stand'],
        'sight-tube' => ['sight-tube'],
        'bulkhead' => ['sight-tube'],
        'elbow' => ['sight-tube'],
        'water-pump' => ['drip'],
        'timer' => ['drip'],
        'drip-tube' => ['drip'],
        'suction-cup' => ['stones'],
        'check-valve' => ['route'],
        'tee' => ['route'],
        'air-valve' => ['route'],
        'clay-pebbles' => ['wash'],
        'seedling' => ['plant'],
        'trellis' => ['support'],
        'stake' => ['support'],
        'clips' => ['support'],
        'scale' => ['feed'],
        'ph-kit' => ['ph'],
        'ph-down' => ['ph'],
        'ph-up' => ['ph'],
        'ph-meter' => ['ph'],
        'ec-meter' => ['log'],
    ];

    /** @var array<string, Need> by key, of this tub and of the garden */
    private array $needs;

    /** @var array<string, Need> by key, of one tub alone */
    private array $own;

    /** @param  bool  $raised  whether its plants are raised from seed before they go in */
    public function __construct(private Plan $plan, private TubPlan $tub, private QuantityWriter $write, private bool $raised)
    {
        $needs = [];
        $this->own = $own = array_column($plan->needsOfOne($tub->tub), null, 'key');
        foreach ($plan->needs() as $need) {
            if ($need->for === [] || in_array($tub->tub->id, $need->for, true)) {
                $needs[$need->key] = $own[$need->key] ?? $need;
            }
        }
        $this->needs = $needs;
    }

    /** @return list<string> keys of all that this tub takes */
    public function keys(): array
    {
        return array_keys($this->needs);
    }

    /**
     * What a step uses.
     *
     * @return array{array<string, string>, array<string, string>} tools and parts by key: names, and amounts of parts
     */
    public function at(string $step): array
    {
        $tools = $parts = [];
        foreach ($this->needs as $key => $need) {
            if (in_array($step, $this->stepsOf($need), true)) {
                $need->kind === NeedKind::Tool ? $tools[$key] = $need->name : $parts[$key] = $need->name.$this->amount($need, $step);
            }
        }

        return [$tools, $parts];
    }

    /** @return list<string> */
    private function stepsOf(Need $need): array
    {
        $pair = $this->tub->fittings->pair?->lower;

        if ($need->key === 'knife' && $this->tub->tubeHole() === TubeHole::Cut) {
            return [...self::STEPS['knife'], 'tube-hole'];
        }

        return self::STEPS[$need->key] ?? match (true) {
            $need->key === 'drill-bit-'.TubExtra::BULKHEAD_HOLE_MM => ['sight-tube', 'tube-hole'],
            str_starts_with($need->key, 'drill-bit-') => ['tube-hole'],
            str_starts_with($need->key, 'saw-') => [
                ...($pair !== null && $need->key === SawSeries::key(NestedPair::CORD_HOLE_MM) ? ['pair'] : []),
                ...($this->isSawOfHoles($need) ? ['saw'] : []),
            ],
            str_starts_with($need->key, 'manifold-') => ['route'],
            str_starts_with($need->key, 'plug-'), str_starts_with($need->key, 'seed-') => [$this->raised ? 'sow' : 'plant'],
            $need->stage === NeedStage::Feed => ['feed'],
            $pair !== null && $need->key === ($pair->key ?? "under:{$this->tub->tub->id}") => ['pair'],
            $need->stage === NeedStage::Air => $this->isTube($need) ? ['route'] : ['pump'],
            $need->stage === NeedStage::Planting => ['stones'],
            $this->isVessel($need) => ['measure'],
            default => ['check'],
        };
    }

    private function isSawOfHoles(Need $need): bool
    {
        foreach ($this->tub->cutting->sizes as $size) {
            if ($size->saw !== null && $need->key === SawSeries::key($size->seat->hole)) {
                return true;
            }
        }

        return false;
    }

    private function isVessel(Need $need): bool
    {
        return $need->key === ($this->tub->tub->body->vessel->key ?? "vessel:{$this->tub->tub->id}");
    }

    private function isTube(Need $need): bool
    {
        return $need->unit === 'mm';
    }

    /** ", 9" after a name, where one is not all there is to say. */
    private function amount(Need $need, string $step): string
    {
        // What a season takes is not what a step takes: that is said there.
        if (in_array($step, ['feed', 'ph'], true)) {
            return '';
        }
        $times = $step === 'sow' && ! $need->shared ? $this->tub->tub->count : 1;
        // What several tubs share, or several alike, is said to be for all of them.
        $isOfOne = $need->for === [$this->tub->tub->id] && $this->tub->tub->count === 1;
        $inAll = $isOfOne || isset($this->own[$need->key]) || $need->for === [] ? '' : ' in all';

        return match (true) {
            $need->unit === 'mm' => ', '.$this->write->run($need->amount).$inAll,
            $need->unit === 'L' => ', '.$this->write->volume($need->amount),
            $need->unit === 'packet' => '',
            $need->unit !== 'piece' => ', '.$this->write->number($need->amount, $need->amount < 10 ? 2 : 0, $need->unit),
            $need->amount * $times > 1.0 => ', '.$this->write->number($need->amount * $times, 0).$inAll,
            default => '',
        };
    }
}
