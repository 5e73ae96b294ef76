<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

use KelpTub\Core\Cost\Need;
use KelpTub\Core\File\Fault;
use KelpTub\Core\File\Library;
use KelpTub\Core\File\PatchMaker;
use stdClass;

/**
 * What one mark of the tide staff adds to a garden. A list names the marks in their order; each sees the plans of those before it and no
 * others.
 *
 * A mark that has nothing to say under one of these leaves it as it is here.
 */
abstract class Mark
{
    /** Its name in the report, in the address and on the page: `air`. */
    abstract public function key(): string;

    /**
     * What the schema cannot say of this mark's part of a document.
     *
     * @return list<Fault>
     */
    public function faults(stdClass $document, Library $library): array
    {
        return [];
    }

    /**
     * The members of a document that read() goes by, besides things of one's own in its `library`: while they stay as they are, so does
     * what was read of them.
     *
     * @return list<string>
     */
    public function members(): array
    {
        return [];
    }

    /**
     * Those of its members that are lists whose entries speak of one tub each, by `tub`: what it says of a tub goes by the entries of that
     * tub alone, and their places.
     *
     * @return list<string>
     */
    public function membersByTub(): array
    {
        return [];
    }

    /** What the grower asks for here, defaults filled in: `$garden->of(…)` finds it by its class. Expects what faults() has passed. */
    public function read(stdClass $document, Library $library): ?object
    {
        return null;
    }

    /**
     * What of its part of a document goes with a tub that is taken away.
     *
     * @return list<stdClass> a patch; of a list's entries the last comes first
     */
    public function withoutTub(string $tub, Garden $garden, PatchMaker $patch): array
    {
        return [];
    }

    /**
     * What of it a copy of a tub has too, under an id of its own.
     *
     * @return list<stdClass> a patch
     */
    public function withCopy(string $tub, string $copy, Garden $garden, PatchMaker $patch): array
    {
        return [];
    }

    /**
     * What of it goes when a tub stands for only so many alike.
     *
     * @return list<stdClass> a patch; of a list's entries the last comes first
     */
    public function withCount(string $tub, int $count, Garden $garden, PatchMaker $patch): array
    {
        return [];
    }

    /** What follows from it: `$plan->get(…)` finds it by its class. */
    public function plan(Plan $before, PlanningAids $aids): ?object
    {
        return null;
    }

    /**
     * What one tub takes to be built, this mark's plan being in $plan.
     *
     * @return array<string, list<Need>> by tub id; under "" what it takes of what tubs share
     */
    public function needsOnTub(string $tub, Plan $plan, Library $library): array
    {
        return [];
    }

    /**
     * What the garden as a whole takes besides, or what several tubs take together.
     *
     * @return list<Need>
     */
    public function needs(Plan $plan, Library $library): array
    {
        return [];
    }

    /**
     * Whether it plans by what the marks before it need, and not by their plans alone. It and those after it speak of the garden as a
     * whole: what is said of single tubs is known before (Preview).
     */
    public function countsNeeds(): bool
    {
        return false;
    }

    /**
     * What is to be said of one tub, all plans being made.
     *
     * @return list<Finding>
     */
    public function findingsOnTub(string $tub, RuleContext $context): array
    {
        return [];
    }

    /**
     * What is to be said of the garden as a whole, or of what several tubs share.
     *
     * @return list<Finding>
     */
    public function findings(RuleContext $context): array
    {
        return [];
    }

    /**
     * What findingsOnTub() goes by, besides the site: while these are the same objects it has nothing new to say. Null where that cannot
     * be told.
     *
     * @return list<object|null>|null
     */
    public function basis(string $tub, Plan $plan): ?array
    {
        return null;
    }

    /**
     * What it plans of a tub by other tubs, as where they share a pump; null where all of it follows from the tub itself and from
     * members().
     */
    public function shares(string $tub, Plan $plan): ?object
    {
        return null;
    }

    /**
     * Its findings, signed.
     *
     * @param  list<Finding>  $findings
     * @return list<Finding>
     */
    final public function says(array $findings): array
    {
        return array_map(fn (Finding $finding): Finding => $finding->saidBy($this), $findings);
    }

    /** Whether it plans and judges again when a way out of a finding is tried. */
    public function isTried(): bool
    {
        return true;
    }

    /**
     * Its part of a tub's report, all plans being made.
     *
     * @param  bool  $whole  with what takes long: seasons that nothing else has asked for, and their days
     * @return array<string, mixed> by the tub's key
     */
    public function reportOnTub(string $tub, Plan $plan, bool $whole): array
    {
        return [];
    }

    /**
     * Its part of the report of the garden as a whole.
     *
     * @param  bool  $whole  with what takes long
     * @return array<string, mixed> by the report's key
     */
    public function report(Plan $plan, bool $whole): array
    {
        return [];
    }
}
