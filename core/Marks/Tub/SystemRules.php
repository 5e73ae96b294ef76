<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Tub;

use KelpTub\Core\Air\AirSystem;
use KelpTub\Core\Air\AirSystems;
use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\Cup\LineChoice;
use KelpTub\Core\Cup\WaterLine;
use KelpTub\Core\Feed\DripCycle;
use KelpTub\Core\Garden\Finding;
use KelpTub\Core\Garden\RuleContext;
use KelpTub\Core\Garden\Severity;
use KelpTub\Core\Vessel\NestedPair;

/**
 * What rafts, cloners, nurseries and nested pairs have to say for themselves. Source: handbook, rules sections 2 and 4; marks † as in
 * the classes that own them.
 */
final class SystemRules
{
    /** † a raft loaded over this share of what would sink it rides wet and tips. */
    public const RAFT_SHARE = 0.5;

    /** Foam boards come no thicker, mm. */
    private const THICKEST_MM = 300.0;

    /** @return list<Finding> */
    public static function of(TubPlan $plan, RuleContext $context): array
    {
        return array_values(array_filter([
            self::line($plan),
            ...($plan->tub->system === GrowingSystem::Raft ? self::raft($plan, $context) : []),
            self::cloner($plan, $context),
            ...($plan->tub->system === GrowingSystem::Nursery ? self::nursery($plan, $context) : []),
            ...self::pair($plan, $context),
        ]));
    }

    /** A water line that the system does not have. */
    private static function line(TubPlan $plan): ?Finding
    {
        $tub = $plan->tub;
        $asked = $tub->water->askedLine;
        if ($plan->plants->mix->isEmpty() || $asked === null || $asked === $tub->water->line() || LineChoice::for($tub->system) === []) {
            return null;
        }

        return new Finding('tub.line', Severity::Mind, $tub->id, $tub->pointer('/water_line'),
            sprintf(
                '"%s" is no water line of %s tub; it is planned with "%s".',
                $asked->value,
                $tub->system === GrowingSystem::Passive ? 'a passive' : 'an aerated',
                $tub->water->line()->value,
            ),
            'Each system has its own choices of water line.');
    }

    /** @return list<Finding|null> */
    private static function raft(TubPlan $plan, RuleContext $context): array
    {
        $tub = $plan->tub;
        $raft = $plan->cutting->raft;
        $w = $context->write;
        if ($raft === null) {
            return [new Finding('raft.gap', Severity::Stop, $tub->id, $tub->pointer('/raft/gap_mm'),
                sprintf('A gap of %s all round leaves no board. Make it narrower.', $w->length($tub->water->raft->gap)),
                'The board is as wide as the tub at its water line, less the gap on both sides.')];
        }
        $mouth = $raft->stuckAt($tub->body->vessel->profile);
        if ($mouth !== null) {
            return [new Finding('raft.mouth', Severity::Stop, $tub->id, $tub->pointer('/vessel'),
                sprintf(
                    'The board is %s across and has to pass %s on its way in. Use a vessel that does not narrow, or run this one passive.',
                    $w->length(min($raft->board->length, $raft->board->width)),
                    $w->length(min($mouth->length, $mouth->width)),
                ),
                'A board in one piece goes no further down than the narrowest place over the water.')];
        }
        $load = $plan->raftLoad();
        $carries = $raft->carries($plan->holes->area());
        $dip = $plan->dip();
        $findings = [];
        if ($load > self::RAFT_SHARE * $carries) {
            $findings[] = new Finding(
                'raft.sinks',
                $load > $carries ? Severity::Stop : Severity::Mend,
                $tub->id,
                $tub->pointer('/raft/thickness_mm'),
                sprintf(
                    'The board goes under at %s and is to carry %s. Use a thicker board, or plant fewer.',
                    $w->mass($carries),
                    $w->mass($load),
                ),
                'Foam bears what it displaces. Loaded past half of that, a board rides wet, and tips when plants lean.',
                by: $load - self::RAFT_SHARE * $carries);
        }
        if ($dip !== null && ($dip < 0.0 || $dip > WaterLine::HIGH_START_MM)) {
            $right = max(1.0, round($raft->thickness + $dip - WaterLine::RAFT_DIP_MM));
            $findings[] = new Finding(
                'raft.dip',
                $dip < 0.0 ? Severity::Mend : Severity::Mind,
                $tub->id,
                $tub->pointer('/raft/thickness_mm'),
                $dip < 0.0
                    ? sprintf(
                        'The cups hang %s clear of the water. Use a board of %s, or deeper cups.',
                        $w->length(-$dip),
                        $w->length($right),
                    )
                    : sprintf(
                        'The cups stand %s in the water and plugs stay sodden. Use a board of %s.',
                        $w->length($dip),
                        $w->length($right),
                    ),
                sprintf(
                    'Cups of a raft dip %s: enough to wet the plug, little enough to let it breathe.',
                    $w->length(WaterLine::RAFT_DIP_MM),
                ),
                $right > self::THICKEST_MM ? [] : [
                    $context->set(sprintf('Use a board of %s', $w->length($right)), $tub->pointer('/raft/thickness_mm'), $right),
                ],
                abs($dip - WaterLine::RAFT_DIP_MM));
        }

        return $findings;
    }

    private static function cloner(TubPlan $plan, RuleContext $context): ?Finding
    {
        $tub = $plan->tub;
        $end = $plan->water->line->cupBottom - $tub->water->cloner->stemBelowCup;
        if ($tub->system !== GrowingSystem::Cloner || $end > WaterLine::CLONER_BELOW_STEMS_MM) {
            return null;
        }

        return new Finding('cloner.shallow', Severity::Stop, $tub->id, $tub->pointer('/cloner/stem_below_cup_mm'),
            sprintf(
                'The stems end %s over the floor, and the water stands %s under them: there is none. Use a deeper tub or shorter stems.',
                $context->write->length(max(0.0, $end)),
                $context->write->length(WaterLine::CLONER_BELOW_STEMS_MM),
            ),
            'Cuttings hang over the water and are wetted by the spray of bursting bubbles; standing in it, they rot.');
    }

    /** @return list<Finding|null> */
    private static function nursery(TubPlan $plan, RuleContext $context): array
    {
        $tub = $plan->tub;
        $drip = $tub->water->drip;
        $each = $drip->perCup($plan->holes->count());
        $w = $context->write;
        $findings = [];
        if ($each !== null && $each < DripCycle::LEAST_PER_CUP_L_H) {
            $flow = ceil(DripCycle::LEAST_PER_CUP_L_H * $plan->holes->count());
            $findings[] = new Finding('nursery.flow', Severity::Mend, $tub->id, $tub->pointer('/nursery/flow_l_h'),
                sprintf(
                    'Each cup gets %s while the pump runs and needs %s. Use a larger water pump.',
                    $w->number($each, 1, 'L/h'),
                    $w->number(DripCycle::LEAST_PER_CUP_L_H, 0, 'L/h'),
                ),
                'Shared out too thin, the far cups stay dry.',
                [$context->set(sprintf('Use a pump of %s', $w->number($flow, 0, 'L/h')), $tub->pointer('/nursery/flow_l_h'), $flow)]);
        }
        if ($each !== null && $each > DripCycle::MOST_PER_CUP_L_H) {
            $flow = floor(DripCycle::MOST_PER_CUP_L_H * $plan->holes->count());
            $findings[] = new Finding('nursery.flow', Severity::Mind, $tub->id, $tub->pointer('/nursery/flow_l_h'),
                sprintf(
                    'Each cup gets %s while the pump runs, and above %s the medium washes out. Throttle it, or let part of it run back.',
                    $w->number($each, 0, 'L/h'),
                    $w->number(DripCycle::MOST_PER_CUP_L_H, 0, 'L/h'),
                ),
                'A strong stream carries fine medium into the tub and bares the seed.',
                [$context->set(sprintf('Throttle it to %s', $w->number($flow, 0, 'L/h')), $tub->pointer('/nursery/flow_l_h'), $flow)]);
        }
        if ($drip->off > DripCycle::MOST_OFF_MIN) {
            $findings[] = new Finding('nursery.dry', Severity::Mend, $tub->id, $tub->pointer('/nursery/off_min'),
                sprintf(
                    'The pump rests %s, and a plug without roots in the water is dry after about %s. Let it run more often.',
                    $w->number($drip->off, 0, 'min'),
                    $w->number(DripCycle::MOST_OFF_MIN, 0, 'min'),
                ),
                'A seedling lives on what its plug holds until its roots reach the water.',
                [$context->set('Rest 45 minutes', $tub->pointer('/nursery/off_min'), (int) DripCycle::DEFAULT_OFF_MIN)]);
        }

        return $findings;
    }

    /** @return list<Finding|null> */
    private static function pair(TubPlan $plan, RuleContext $context): array
    {
        $tub = $plan->tub;
        $pair = $plan->fittings->pair;
        if ($pair === null) {
            return [];
        }
        $w = $context->write;
        if (! $pair->goesIn()) {
            return [new Finding('under.too-wide', Severity::Stop, $tub->id, $tub->pointer('/under/vessel'),
                sprintf(
                    'It does not go into the %s on blocks of %s: %s over its floor the walls overlap by %s. Take a wider one below, '
                        .'or higher blocks.',
                    $pair->lower->name,
                    $w->length($pair->blocks),
                    $w->length($pair->narrowestAt ?? 0.0),
                    $w->length(-$pair->gap),
                ),
                'The upper one must stand on the blocks, not hang in the walls of the lower: hung, it splits it.')];
        }
        $tube = max(
            [
                0.0,
                ...array_map(
                    static fn (AirSystem $s): float => $s->tube->outer,
                    $context->plan->garden->of(AirSystems::class)->to($tub->id),
                ),
            ],
        );

        return [
            $pair->room >= NestedPair::PUMP_ROOM_MM
                ? null
                : new Finding('under.room', Severity::Mend, $tub->id, $tub->pointer('/under/blocks_mm'),
                    sprintf(
                        'Blocks of %s leave the pump too little room; it wants %s. Use higher blocks.',
                        $w->length($pair->blocks),
                        $w->length(NestedPair::PUMP_ROOM_MM),
                    ),
                    'A pump that touches the tub above drums on it, and with no air round it runs hot.',
                    [$context->set(
                        sprintf('Use blocks of %s', $w->length(NestedPair::PUMP_ROOM_MM)),
                        $tub->pointer('/under/blocks_mm'),
                        NestedPair::PUMP_ROOM_MM,
                    )]),
            $tube === 0.0 || $pair->gap > $tube ? null : new Finding('under.tube', Severity::Mend, $tub->id, $tub->pointer('/under'),
                sprintf(
                    'Between the two walls are %s, and the tube is %s: it would be pinched. Bring it out through the cord hole and up '
                        .'outside.',
                    $w->length($pair->gap),
                    $w->length($tube),
                ),
                'A pinched tube gives no air.'),
        ];
    }
}
