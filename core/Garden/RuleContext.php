<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

use KelpTub\Core\Air\Pump;
use KelpTub\Core\File\Library;
use KelpTub\Core\File\PatchMaker;
use KelpTub\Core\Lid\LayoutSolver;
use KelpTub\Core\Lid\LayoutSpace;
use KelpTub\Core\Units\QuantityWriter;
use stdClass;

/** What rules share: the plan, the grower's way of writing measures, and the making of remedies. */
final readonly class RuleContext
{
    public QuantityWriter $write;

    public PatchMaker $patch;

    public Library $library;

    public function __construct(public Plan $plan, private PlanningAids $aids)
    {
        $this->library = $aids->library;
        $this->write = new QuantityWriter($plan->garden->units);
        $this->patch = new PatchMaker($plan->garden->document, $aids->library);
    }

    /** A remedy that sets one value in the garden. */
    public function set(string $says, string $pointer, mixed $value): Remedy
    {
        return new Remedy($says, $this->patch->set($pointer, $value));
    }

    /** A remedy that puts air into a tub, and what else to try where that does not do. */
    public function addAir(string $says, Tub $tub): Remedy
    {
        return (new AirEdits($this->plan->garden, $this->patch))->ways($says, $tub, $this->pumpsBySize());
    }

    /** @return list<Pump> those of the Library, the smallest first */
    public function pumpsBySize(): array
    {
        $pumps = array_values(iterator_to_array($this->library->pumps));
        usort($pumps, static fn (Pump $a, Pump $b): int => $a->freeFlow() <=> $b->freeFlow());

        return $pumps;
    }

    /** @return array<string, mixed> a tub's lid as its file or the Library has it, its size left out */
    public function lidAsGiven(Tub $tub): array
    {
        $vessel = $this->plan->garden->document->tubs[$tub->index]->vessel;
        $lid = (is_string($vessel) ? $this->library->vessels->raw($vessel) : $vessel)->lid ?? new stdClass;

        return array_diff_key(
            get_object_vars($lid),
            ['diameter_mm' => true, 'length_mm' => true, 'width_mm' => true, 'corner_radius_mm' => true, 'measured' => true],
        );
    }

    /** Asks how many cups a lid would take otherwise. */
    public function solver(LayoutSpace $space): LayoutSolver
    {
        return $this->aids->solver($space);
    }
}
