<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

use KelpTub\Core\Crop\CropMix;
use KelpTub\Core\Crop\CropShare;
use KelpTub\Core\File\Library;
use KelpTub\Core\File\PatchMaker;
use KelpTub\Core\Marks\Tub\TubPlan;
use KelpTub\Core\Units\QuantityWriter;
use stdClass;

/** What the rules share: the plan, the grower's way of writing measures, and the making of patches. */
final readonly class RuleContext
{
    public QuantityWriter $write;

    public PatchMaker $patch;

    public function __construct(public GardenPlan $plan, public Library $library)
    {
        $this->write = new QuantityWriter($plan->garden->units);
        $this->patch = new PatchMaker($plan->garden->document, $library);
    }

    /** A remedy that sets one value in the garden. */
    public function set(string $says, string $pointer, mixed $value): Remedy
    {
        return new Remedy($says, $this->patch->set($pointer, $value));
    }

    /** A remedy that asks for so many cups; a layout by hand becomes the best regular one. */
    public function cups(string $says, TubPlan $plan, int $cups): Remedy
    {
        $wish = $plan->tub->layout;
        $pointer = $plan->tub->pointer('/layout');

        $patch = $wish->asked === 'manual'
            ? $this->patch->set($pointer, (object) ['pattern' => 'best', 'cups' => $cups, 'holes' => null])
            : $this->patch->set("$pointer/cups", $cups);

        return new Remedy($says, [...$patch, ...$this->shares($plan, $cups)]);
    }

    /** A remedy that plants so many of the cups: fewer holes, or where these are cut already, fewer of them planted. */
    public function plants(TubPlan $plan, int $plants): Remedy
    {
        $says = $plants === 1 ? 'Plant one' : "Plant $plants";
        $tub = $plan->tub;
        $shares = $this->shares($plan, $plants);
        if ($tub->layout->asked !== 'manual' && $tub->plants === null) {
            return $this->cups($says, $plan, $plants);
        }

        return $shares === [] ? $this->set($says, $tub->pointer('/plants'), $plants) : new Remedy($says, $shares);
    }

    /**
     * Several crops cut down to so many plants, each by the same share; nothing for one crop.
     *
     * @return list<stdClass>
     */
    private function shares(TubPlan $plan, int $plants): array
    {
        $tub = $plan->tub;
        if (count($tub->crops) < 2) {
            return [];
        }
        $crops = array_map(static fn (CropShare $s): stdClass => (object) ['crop' => $s->crop->key, 'plants' => $s->plants], CropMix::inProportion($tub->crops, $tub->density, $plants)->shares);

        return $this->patch->set($tub->pointer('/crops'), $crops);
    }

    /** A remedy that puts air into a tub: stones under the cups, and a line from the garden's first pump or from a new one. */
    public function addAir(string $says, TubPlan $plan): Remedy
    {
        $tub = $plan->tub;
        $patch = [];
        if ($tub->stones === null) {
            $stones = (object) ['kind' => $plan->tub->vessel->profile->brim() < 4.0 ? 'cylinder-50' : 'disc-100', 'count' => 1, 'height_mm' => 20];
            $patch = $this->patch->set($tub->pointer('/stones'), $stones);
        }
        if (! $tub->system->isAerated()) {
            $patch = [
                ...$patch,
                ...$this->patch->set($tub->pointer('/system'), 'aerated'),
                ...$this->patch->set($tub->pointer('/water_line'), 'gap'),
                ...$this->patch->set($tub->pointer('/top_ups'), 'level'),
            ];
        }
        $branch = (object) ['tub' => $tub->id, 'distance_mm' => 1000, 'valve' => 1.0];
        $air = $this->plan->garden->air;
        if ($this->plan->isFed($tub->id)) {
            return new Remedy($says, $patch);
        }
        $patch = [...$patch, ...($air === []
            ? $this->patch->append('/air', (object) ['id' => 'pump-1', 'pump' => 'pump-4w-2', 'check_valve' => true, 'branches' => [$branch]])
            : $this->patch->append('/air/0/branches', $branch))];

        return new Remedy($says, $patch);
    }
}
