<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

use KelpTub\Core\Air\AirSystems;
use KelpTub\Core\Crop\Crop;
use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\Feed\DripCycle;
use KelpTub\Core\File\Library;
use KelpTub\Core\File\PartReader;
use KelpTub\Core\File\PatchMaker;
use KelpTub\Core\Vessel\NestedPair;
use stdClass;

/** Changes of a garden that bring more with them than one value: a tub with what it takes, or another way to run one. As JSON Patches. */
final readonly class TubEdits
{
    /** What belongs to one way of running a tub and not to the next. */
    private const OF_A_SYSTEM = ['water_line', 'top_ups', 'planned_top_ups', 'raft', 'cloner', 'nursery', 'tube_entry'];

    /** † cuttings hang so far out of their collars, mm. */
    private const STEM_MM = 20;

    private PatchMaker $patch;

    private AirEdits $air;

    public function __construct(private Garden $garden, private Library $library)
    {
        $this->patch = new PatchMaker($garden->document, $library);
        $this->air = new AirEdits($garden, $this->patch);
    }

    /** An id that no tub of the garden has: the key of its vessel, with a number where that is taken. */
    public function freeId(NewTub $new): string
    {
        return $this->garden->freeTubId(is_string($new->vessel) ? $new->vessel : ($new->vessel->key ?? 'tub'));
    }

    /**
     * Puts a tub on the bench, with what its way of running takes.
     *
     * @return list<stdClass>
     */
    public function add(NewTub $new): array
    {
        $vessel = is_string($new->vessel) ? $this->library->vessels->get($new->vessel) : PartReader::vessel($new->vessel, null);
        $tub = (object) [
            'id' => $this->freeId($new),
            'name' => $new->name,
            'system' => $new->system->value,
            'vessel' => $new->vessel,
            'cup' => $new->cup,
            'crop' => $new->crop,
            ...self::settings($new->system),
            ...$new->more,
            ...($this->climbs($new) ? ['trellis' => true] : []),
            'stones' => $new->system->hasStones() ? AirEdits::stonesFor($vessel) : null,
        ];
        $crop = $new->ownCrop === null ? [] : $this->patch->set('/library/crops/'.PatchMaker::escaped($new->crop ?? ''), $new->ownCrop);

        return [...$crop, ...$this->patch->append('/tubs', $tub), ...($new->system->hasStones() ? $this->air->line($tub->id) : [])];
    }

    /**
     * Runs a tub another way: what belonged to the old one goes, what the new one takes comes.
     *
     * @return list<stdClass>
     */
    public function run(Tub $tub, GrowingSystem $system): array
    {
        $patch = $this->patch->set($tub->pointer('/system'), $system->value);
        $raw = $this->garden->document->tubs[$tub->index];
        $settings = self::settings($system);
        foreach (array_diff(self::OF_A_SYSTEM, array_keys($settings)) as $key) {
            $patch = property_exists($raw, $key) ? [...$patch, ...$this->patch->remove($tub->pointer("/$key"))] : $patch;
        }
        foreach ($settings as $key => $value) {
            $patch = [...$patch, ...$this->patch->put($tub->pointer("/$key"), $value)];
        }
        if (! $system->hasStones()) {
            return [...$patch, ...$this->patch->put($tub->pointer('/stones'), null), ...$this->air->cut($tub->id)];
        }
        if ($tub->water->stones === null) {
            $patch = [...$patch, ...$this->patch->put($tub->pointer('/stones'), AirEdits::stonesFor($tub->body->vessel))];
        }

        return $this->garden->of(AirSystems::class)->feed($tub->id) ? $patch : [...$patch, ...$this->air->line($tub->id)];
    }

    /**
     * Stands a tub in another vessel that houses its pump, or takes it out again: its line then runs from the middle of the lower floor to
     * the wall, and up between the walls.
     *
     * @return list<stdClass>
     */
    public function nest(Tub $tub, string|stdClass|null $lower): array
    {
        if ($lower === null) {
            return [...$this->patch->remove($tub->pointer('/under')), ...$this->air->distances($tub->id, AirEdits::DISTANCE_MM)];
        }
        $vessel = is_string($lower) ? $this->library->vessels->get($lower) : PartReader::vessel($lower, null);
        $blocks = $this->garden->document->tubs[$tub->index]->under->blocks_mm ?? (int) NestedPair::DEFAULT_BLOCKS_MM;

        return [
            ...$this->patch->set($tub->pointer('/under'), (object) ['vessel' => $lower, 'blocks_mm' => $blocks]),
            ...$this->air->distances($tub->id, (int) round($vessel->profile->sectionAt(0.0)->length / 2)),
        ];
    }

    /** A climber comes with its trellis. */
    private function climbs(NewTub $new): bool
    {
        return match (true) {
            $new->crop === null => false,
            $new->ownCrop !== null => Crop::fromRow($new->ownCrop, $new->crop)->climbs(),
            default => $this->library->crops->get($new->crop)->climbs(),
        };
    }

    /** @return array<string, mixed> what a way of running a tub is set to at first */
    private static function settings(GrowingSystem $system): array
    {
        return match ($system) {
            GrowingSystem::Cloner => ['cloner' => (object) ['stem_below_cup_mm' => self::STEM_MM, 'collar' => true], 'tube_entry' => 'lid'],
            GrowingSystem::Nursery => ['nursery' => (object) [
                'flow_l_h' => (int) DripCycle::DEFAULT_FLOW_L_H,
                'on_min' => (int) DripCycle::DEFAULT_ON_MIN,
                'off_min' => (int) DripCycle::DEFAULT_OFF_MIN,
            ]],
            default => [],
        };
    }
}
