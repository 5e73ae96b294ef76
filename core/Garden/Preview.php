<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

use KelpTub\Core\Cost\Need;
use KelpTub\Core\File\GardenFile;
use stdClass;

/**
 * The report of a garden while it is changed, as text. Ways out of findings are listed, not tried. What marks have to do with a tub is kept
 * (KnownTubs), and taken again as long as all that it follows from stays as it was; what waits for a layout is not kept.
 */
final readonly class Preview
{
    public function __construct(private Walk $walk, private PlanningAids $aids)
    {
    }

    public function of(Garden $garden): string
    {
        $plan = $this->walk->begun(Plan::of($garden));
        $fingerprints = $this->aids->known->fingerprints($plan, $this->walk->beforeNeeds);
        $known = array_filter(array_map($this->aids->known->of(...), $fingerprints));
        $needs = [];
        foreach ($garden->tubs as $tub) {
            $needs[$tub->id] = isset($known[$tub->id]) ? $known[$tub->id]->needs : $this->walk->needsOnTub($tub->id, $plan);
        }
        $plan = $this->walk->finished($plan, $needs);
        $context = new RuleContext($plan, $this->aids);
        $reports = $findings = [];
        foreach ($garden->tubs as $tub) {
            $of = $known[$tub->id] ?? $this->ofTub($tub, $needs[$tub->id], $context, $fingerprints[$tub->id] ?? null);
            $reports[] = Report::tubWith($of->report, $tub, $plan, $this->walk->afterNeeds);
            $findings = [
                ...$findings,
                ...$of->findings,
                ...self::listed($this->walk->saidOnTub($tub->id, $context, $this->walk->afterNeeds), $garden->document),
            ];
        }
        $findings = OfAllTubs::once($garden, [...$findings, ...self::listed($this->walk->saidOnGarden($context), $garden->document)]);
        usort($findings, static fn (ListedFinding $one, ListedFinding $other): int => $one->rank <=> $other->rank);

        return Report::text(Report::garden($plan, $this->walk->marks), $reports, array_column($findings, 'text'));
    }

    /** @param  array<string, array<string, list<Need>>>  $needs */
    private function ofTub(Tub $tub, array $needs, RuleContext $context, ?string $fingerprint): KnownOfTub
    {
        $refused = $this->aids->memory->refused();
        $findings = self::listed(
            $this->walk->saidOnTub($tub->id, $context, $this->walk->beforeNeeds),
            $context->plan->garden->document,
        );
        $of = new KnownOfTub(
            $needs,
            $findings,
            GardenFile::encode((object) Report::tub($tub, $context->plan, $this->walk->beforeNeeds)),
        );
        $isSettled = $refused === $this->aids->memory->refused() && $this->aids->known->planOf($tub, $context->plan->garden) !== null;
        if ($fingerprint !== null && $isSettled) {
            $this->aids->known->keep($fingerprint, $of);
        }

        return $of;
    }

    /**
     * @param  array<string, list<Finding>>  $said
     * @return list<ListedFinding>
     */
    private static function listed(array $said, stdClass $document): array
    {
        return array_map(static fn (Finding $f): ListedFinding => ListedFinding::of($f, $document), array_merge(...array_values($said)));
    }
}
