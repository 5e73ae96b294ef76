<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Tub;

use KelpTub\Core\Garden\Finding;
use KelpTub\Core\Garden\Remedy;
use KelpTub\Core\Garden\RuleContext;
use KelpTub\Core\Garden\Severity;
use KelpTub\Core\Garden\Tub;
use KelpTub\Core\Units\QuantityWriter;
use KelpTub\Core\Vessel\Cover;
use KelpTub\Core\Vessel\FillFit;
use KelpTub\Core\Vessel\LinerBag;
use KelpTub\Core\Vessel\Vessel;
use KelpTub\Core\Vessel\VesselKind;
use KelpTub\Core\Vessel\Weight;

/** What the vessel itself says: label, weight, walls, light, ground. Source: handbook, rules section 2. */
final class VesselRules
{
    /** So many taller vessels are tried. */
    private const TALLER_TRIED = 4;

    /** A brim above this many times the label is odd. */
    private const LABEL_MARGIN = 1.25;

    private const BOW_LENGTH_MM = 600.0;

    private const BOW_DEPTH_MM = 250.0;

    private const BOW_FILL = 0.7;

    /** Height of a batten that lifts a tub off cold ground, mm. */
    private const BATTEN_MM = 20;

    /** @return list<Finding> */
    public static function of(TubPlan $plan, RuleContext $context): array
    {
        return array_values(array_filter([
            self::label($plan, $context),
            self::noWater($plan, $context),
            self::taper($plan, $context),
            ...self::fills($plan, $context),
            self::heavy($plan, $context),
            self::shelf($plan, $context),
            self::bow($plan, $context),
            self::light($plan, $context),
            self::liner($plan, $context),
            self::sun($plan, $context),
            self::coldFloor($plan, $context),
            self::food($plan),
        ]));
    }

    private static function label(TubPlan $plan, RuleContext $context): ?Finding
    {
        $tub = $plan->tub;
        $label = $tub->body->vessel->labelLitres;
        // A label speaks of the whole bottle.
        $brim = $tub->body->vessel->whole->brim();
        if ($label === null || ($brim >= $label && $brim <= self::LABEL_MARGIN * $label)) {
            return null;
        }

        return new Finding('vessel.label', Severity::Mind, $tub->id, $tub->pointer('/vessel/label_l'),
            sprintf(
                'The label says %s and the measures hold %s to the rim. Check them with a known fill.',
                $context->write->volume($label),
                $context->write->volume($brim),
            ),
            $brim < $label
                ? 'Labels are often of the outside or to the rim; dose and weight follow the measures, not the label.'
                : 'A vessel this much larger than its label is most often measured wrong.');
    }

    /** Water that is all under the lowest useful level. */
    private static function noWater(TubPlan $plan, RuleContext $context): ?Finding
    {
        if ($plan->water->usable() > 0.0) {
            return null;
        }
        $tub = $plan->tub;
        $w = $context->write;
        $stones = $tub->water->stones;

        return new Finding('vessel.no-water', Severity::Mend, $tub->id, $tub->pointer('/vessel'),
            sprintf(
                'None of its water can be used: the line is at %s, and water under %s has to stay. Use a deeper tub or a shallower cup%s.',
                $w->length($plan->water->line->grown),
                $w->length($plan->water->lowest()),
                $stones === null ? '' : ', or lower the stones',
            ),
            'What covers the stones, or lies under the last roots, is not there to drink from.',
            array_values(array_filter([
                $stones === null || $stones->highest() <= 0.0
                    ? null
                    : $context->set('Lay the stones on the floor', $tub->pointer('/stones/height_mm'), 0),
                $tub->water->lowest === null ? null : $context->set('Let the lowest level follow', $tub->pointer('/lowest_mm'), null),
                self::taller($tub, $context),
            ])));
    }

    /** The next taller vessels of the Library and of its kind, the lowest first. */
    private static function taller(Tub $tub, RuleContext $context): ?Remedy
    {
        $here = $tub->body->vessel;
        $taller = array_filter(
            iterator_to_array($context->library->vessels),
            static fn (Vessel $v): bool => $v->kind === $here->kind && $v->profile->rim() > $here->profile->rim(),
        );
        uasort($taller, static fn (Vessel $a, Vessel $b): int => $a->profile->rim() <=> $b->profile->rim());
        $taller = array_slice($taller, 0, self::TALLER_TRIED);

        return Remedy::inTurn(
            array_keys($taller),
            static fn (string $key): Remedy => $context->set("Use the {$taller[$key]->name}", $tub->pointer('/vessel'), $key),
        );
    }

    private static function taper(TubPlan $plan, RuleContext $context): ?Finding
    {
        $tub = $plan->tub;
        $stations = $tub->body->vessel->profile->stations;
        [$floor, $rim] = [$stations[0]->section, $stations[count($stations) - 1]->section];
        if ($tub->body->vessel->isJar() || $tub->body->vessel->kind === VesselKind::Bottle || $floor->area() <= $rim->area()) {
            return null;
        }

        return new Finding('vessel.taper', Severity::Mind, $tub->id, $tub->pointer('/vessel/stations'),
            sprintf(
                'The floor is wider than the rim: %s against %s. Were the two mixed up?',
                $context->write->length($floor->length),
                $context->write->length($rim->length),
            ),
            'Buckets and totes stack, so nearly all of them widen upwards. Shouldered jars and bottles do narrow.');
    }

    /** @return list<Finding> */
    private static function fills(TubPlan $plan, RuleContext $context): array
    {
        $tub = $plan->tub;
        $fit = $tub->body->vessel->fit;
        $why = 'Fills against a tape should lie on one line; one that does not was misread or poured wrong.';
        $off = static fn (float $share): string => sprintf(
            '%s %s',
            $context->write->number(abs($share) * 100, 1, '%'),
            $share > 0 ? 'above' : 'below',
        );
        if ($fit?->odd !== null) {
            return [new Finding('vessel.fill', Severity::Mind, $tub->id, $tub->pointer("/vessel/fills/$fit->odd"),
                sprintf(
                    'Fill %d is %s what the others say, and they agree. Pour and read it again, or leave it out.',
                    $fit->odd + 1,
                    $off($fit->oddDeviation ?? 0.0),
                ), $why,
                [new Remedy('Leave fill '.($fit->odd + 1).' out', $context->patch->remove($tub->pointer("/vessel/fills/$fit->odd")))])];
        }
        $findings = [];
        foreach ($fit->deviations ?? [] as $i => $deviation) {
            if (abs($deviation) > FillFit::TOLERANCE) {
                $findings[] = new Finding('vessel.fill', Severity::Mind, $tub->id, $tub->pointer("/vessel/fills/$i"),
                    sprintf('Fill %d is %s the line through all of them. Pour and read it again.', $i + 1, $off($deviation)), $why);
            }
        }

        return $findings;
    }

    private static function heavy(TubPlan $plan, RuleContext $context): ?Finding
    {
        $tub = $plan->tub;
        if ($plan->fittings->weight->kg <= Weight::LIFT_LIMIT_KG) {
            return null;
        }
        $bearing = $context->plan->garden->site->bearing->isStructure()
            ? sprintf(
                ' It bears %s on what is under it: ask whoever is responsible for the structure.',
                $context->write->load($plan->fittings->weight->kgPerSquareMetre),
            )
            : '';

        return new Finding('vessel.heavy', Severity::Mind, $tub->id, $tub->pointer('/vessel'),
            sprintf(
                'Filled it weighs %s. Fill it where it will stand, and do not lift it.%s',
                $context->write->mass($plan->fittings->weight->kg),
                $bearing,
            ),
            sprintf('More than %s is more than one person should lift, and water moves.', $context->write->mass(Weight::LIFT_LIMIT_KG)));
    }

    private static function shelf(TubPlan $plan, RuleContext $context): ?Finding
    {
        $tub = $plan->tub;
        $limit = $context->plan->garden->site->shelfLimitKg;
        $kg = $plan->fittings->weight->kg * $tub->count;
        if ($limit === null || $kg <= Weight::SHELF_MARGIN * $limit) {
            return null;
        }
        $over = $kg > $limit;

        return new Finding('vessel.shelf', $over ? Severity::Stop : Severity::Mend, $tub->id, '/site/shelf_limit_kg',
            sprintf(
                '%s on a shelf that bears %s. %s',
                $over ? QuantityWriter::over($context->write->mass($kg), $context->write->mass($limit)) : $context->write->mass($kg),
                $context->write->mass($limit),
                $over
                    ? 'Put it on the ground, or build it smaller.'
                    : 'That is over four fifths of it: use a smaller tub or a stronger shelf.',
            ),
            'A shelf bears less in the middle than at its ends, and less when wet. Whoever built it knows.');
    }

    private static function bow(TubPlan $plan, RuleContext $context): ?Finding
    {
        $tub = $plan->tub;
        $profile = $tub->body->vessel->profile;
        $filled = $profile->volumeAt($plan->water->line->grown) / $profile->brim();
        if (
            $tub->body->vessel->braced
            || $profile->mouth()->round
            || $profile->longest() <= self::BOW_LENGTH_MM
            || $profile->rim() <= self::BOW_DEPTH_MM
            || $filled <= self::BOW_FILL
        ) {
            return null;
        }

        return new Finding('vessel.bow', Severity::Mind, $tub->id, $tub->pointer('/vessel/braced'),
            sprintf(
                '%s long and %s full, its long walls will bow. Brace it round the middle with a strap or a batten.',
                $context->write->length($profile->longest()),
                $context->write->number($filled * 100, 0, '%'),
            ),
            'Water presses hardest at the bottom of a long flat wall; the lid then no longer sits.',
            [$context->set('Brace it', $tub->pointer('/vessel/braced'), true)]);
    }

    private static function light(TubPlan $plan, RuleContext $context): ?Finding
    {
        $tub = $plan->tub;
        if (! $tub->body->letsLightIn()) {
            return null;
        }

        $onLid = $tub->body->cover !== Cover::None;
        $walls = ucfirst($tub->body->vessel->opacity->value);

        return new Finding('vessel.light', Severity::Mend, $tub->id, $tub->pointer($onLid ? '/vessel/cover_parts' : '/vessel/cover'),
            $onLid
                ? "$walls walls let light in and only the lid is covered. Cover the walls too."
                : "$walls walls let light in and algae will grow. Choose a cover.",
            'Light on nutrient solution feeds algae, which take oxygen and nutrients. Paint goes on the outside only, outdoors, a '
                .'dark coat and then a light one.',
            $onLid ? [$context->set('Cover the walls too', $tub->pointer('/vessel/cover_parts'), 'both')] : [
                $context->set('Paint the outside', $tub->pointer('/vessel/cover'), 'paint'),
                $context->set('Wrap it in foil', $tub->pointer('/vessel/cover'), 'foil'),
                $context->set('Make a sleeve', $tub->pointer('/vessel/cover'), 'sleeve'),
            ]);
    }

    private static function liner(TubPlan $plan, RuleContext $context): ?Finding
    {
        $tub = $plan->tub;
        if ($tub->body->liner === null || $tub->body->liner->fits($tub->body->vessel->profile)) {
            return null;
        }
        $w = $context->write;
        $least = LinerBag::leastFor($tub->body->vessel->profile);
        $sold = $least->onSale();

        return new Finding('vessel.liner', Severity::Mend, $tub->id, $tub->pointer('/vessel/cover'),
            sprintf(
                'The bag is %s by %s flat and this tub takes at least %s by %s. Use a larger one.',
                $w->length($tub->body->liner->width),
                $w->length($tub->body->liner->length),
                $w->length($least->width),
                $w->length($least->length),
            ),
            'A bag that is too small hangs clear of the walls and tears under the weight of the water. Fill it with water to smooth '
                .'it before it is trimmed.',
            [$context->set(
                sprintf('Take a bag of %s by %s', $w->length($sold->width), $w->length($sold->length)),
                $tub->pointer('/vessel/cover'),
                (object) ['liner' => (object) ['width_mm' => (int) $sold->width, 'length_mm' => (int) $sold->length]],
            )]);
    }

    private static function sun(TubPlan $plan, RuleContext $context): ?Finding
    {
        $tub = $plan->tub;
        if (! $context->plan->garden->site->fullSun || $tub->body->vessel->opacity->needsCover() || $tub->body->cover !== Cover::None) {
            return null;
        }

        return new Finding('vessel.sun', Severity::Mind, $tub->id, $tub->pointer('/vessel/cover'),
            'Full sun warms a bare opaque tub. Give it a light outer coat, or shade.',
            'Warm water holds less oxygen and roots use more of it.',
            [
                $context->set('Give it a light coat', $tub->pointer('/vessel/cover'), 'paint'),
                $context->set('Make a light sleeve', $tub->pointer('/vessel/cover'), 'sleeve'),
            ]);
    }

    private static function coldFloor(TubPlan $plan, RuleContext $context): ?Finding
    {
        $tub = $plan->tub;
        $ground = $context->plan->garden->site->ground;
        if (! $ground->isCold() || $tub->body->stand > 0.0) {
            return null;
        }

        return new Finding('vessel.cold-floor', Severity::Mind, $tub->id, $tub->pointer('/stand_mm'),
            sprintf('It stands on bare %s, which draws its warmth away. Put battens under it.', $ground->value),
            'Cold roots drink and feed slowly.',
            [$context->set('Stand it on battens', $tub->pointer('/stand_mm'), self::BATTEN_MM)]);
    }

    private static function food(TubPlan $plan): ?Finding
    {
        $tub = $plan->tub;
        if ($tub->body->vessel->foodSafe) {
            return null;
        }

        return new Finding('vessel.food', Severity::Stop, $tub->id, $tub->pointer('/vessel/food_safe'),
            'This container is not food safe. Use one made for food or drinking water.',
            'Containers that held chemicals, and plastics not made for food, give off what roots take up. Washing does not mend it.');
    }
}
