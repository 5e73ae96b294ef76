<?php

declare(strict_types=1);

namespace KelpTub\Core\Log;

use KelpTub\Core\Crop\Crop;
use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\Season\Fare;

/**
 * What signs at a tub say, with what its readings say: pale new leaves at pH 7.4 and at pH 5.9 are two things. Where two causes fit both
 * are said, each with the look that tells it from the other. Source: handbook, log (diagnosis, from signs); figures marked † are estimates.
 */
final readonly class SignDiagnosis
{
    /** † water over this invites rot, °C. */
    private const ROT_C = 22.0;

    /** † above this pH iron and its like are locked up, below that one calcium and magnesium are. */
    public const LOCKS_HIGH = 6.8;

    public const LOCKS_LOW = 5.2;

    /** † seeds that are so many days over their time will not come. */
    private const LATE_SEEDS_DAYS = 5;

    private const COLD_ROOTS_C = 15.0;

    /** † EC outside of what plants like by so much shows in their leaves, mS/cm. */
    public const EC_SHOWS = 0.3;

    public function __construct(private LogCase $case, private WaterDiagnosis $water)
    {
    }

    /** @return list<Suspicion> */
    public function all(): array
    {
        $all = [];
        foreach (Sign::cases() as $sign) {
            $entry = $this->case->sign($sign);
            if ($entry !== null) {
                $all = [...$all, ...$this->causes($sign, $entry)];
            }
        }
        // One cause that two signs speak for is said once, and surer.
        $once = [];
        foreach ($all as $one) {
            $other = $once[$one->code] ?? null;
            $once[$one->code] = $other === null ? $one : new Suspicion(...[
                ...get_object_vars($other->sure >= $one->sure ? $other : $one),
                'sure' => min(0.95, 1 - (1 - $other->sure) * (1 - $one->sure)),
                'because' => array_values(array_unique([...$other->because, ...$one->because])),
            ]);
        }

        return array_values($once);
    }

    /** @return list<Suspicion> */
    private function causes(Sign $sign, Entry $entry): array
    {
        return match ($sign) {
            Sign::BrownRoots, Sign::Smell => $this->rot($sign, $entry),
            Sign::StainedRoots => [
                $this->says(
                    'log.stained',
                    0.7,
                    $entry,
                    'The roots are stained by the feed, not ill.',
                    'Stained roots are firm and do not smell.',
                    'Nothing.',
                    'Rub one between two fingers: a rotten one slips its skin.',
                ),
            ],
            Sign::GreenFilm => $this->lightLeak($entry),
            Sign::Wilting => $this->wilting($entry),
            Sign::WeakBubbles => $this->weakBubbles($entry),
            Sign::NoBubbles => $this->noBubbles($entry),
            Sign::WhiteCrust => [
                $this->says(
                    'log.crust',
                    0.8,
                    $entry,
                    'Salt that water left behind as it dried.',
                    'It gathers where pebbles or plugs are wet at the foot and dry on top.',
                    'Rinse the pebbles from above with plain water when the tub is next changed; keep them just dry on '
                        .'top.'.$this->strongWater(),
                    'Does it taste salt and dissolve in water? Lime stays.',
                ),
            ],
            Sign::DryPlug => $this->dryPlug($entry),
            Sign::PaleNewLeaves => $this->paleNew($entry),
            Sign::PaleOldLeaves => $this->paleOld($entry),
            Sign::BurntTips => $this->burnt($entry),
            Sign::PurpleStems => $this->purple($entry),
            Sign::Leggy => [
                $this->says(
                    'log.leggy',
                    0.85,
                    $entry,
                    'Seedlings that reach for light.',
                    'Long thin stems come of too little light, and of warmth without it.',
                    'Bring the light nearer, or the tub to it, at once after they are up; set the next ones deeper. These will not shrink.',
                    'Hold a hand over them at noon: a sharp shadow is light enough.',
                ),
            ],
            Sign::NotUp => $this->notUp($entry),
            Sign::Leaning => [
                $this->says(
                    'log.leaning',
                    0.8,
                    $entry,
                    'A plant that does not stand by itself.',
                    'Its cup does not hold the weight of its top.',
                    'Tie it to a stake or a string, loosely; top the cup up with pebbles to the brim.',
                    'Does the cup tip in its hole? Then it is the hole.',
                ),
            ],
            Sign::Insects => [
                $this->says(
                    'log.insects',
                    0.7,
                    $entry,
                    'Small flies breed where it is wet and open.',
                    'They come to wet plugs, green film and open water.',
                    'Close every hole that has no cup; hang up a yellow sticky card; keep plugs dry on top. What swims in the water '
                        .'goes with a change.',
                    'Look at the card after two days: few is no harm, many is.',
                ),
            ],
        };
    }

    /** @return list<Suspicion> */
    private function rot(Sign $sign, Entry $entry): array
    {
        $warm = $this->warmest();
        $isAired = $this->case->tub->system === GrowingSystem::Aerated || $this->case->tub->system === GrowingSystem::Cloner;
        $sure = 0.6 + ($warm !== null && $warm > self::ROT_C ? 0.2 : 0.0) + ($this->case->sign(Sign::WeakBubbles) !== null ? 0.1 : 0.0);
        $w = $this->case->write;

        return [
            $this->says(
                'log.rot',
                $sign === Sign::Smell ? $sure - 0.15 : $sure,
                $entry,
                'Root rot.',
                'Brown, slimy, foul roots'.(
                    $warm !== null && $warm > self::ROT_C ? sprintf(', and water of %s', $w->temperature($warm)) : ''
                ).'.',
                sprintf(
                    'Take the plants out, cut away what is soft, rinse the rest; scrub tub, stone and cups; fill anew with %s, '
                        .'below %s.%s Wash your hands between tubs.',
                    $w->volume($this->case->tub->fill),
                    $w->temperature(self::ROT_C),
                    $isAired ? ' More air: a clean stone, and a valve further open.' : '',
                ),
                'Rub a root: a rotten one slips its skin and smells, a stained one is firm.',
            ),
        ];
    }

    /** @return list<Suspicion> */
    private function lightLeak(Entry $entry): array
    {
        $where = $this->case->letsLightIn
            ? 'through its walls, which nothing covers'
            : 'at a cup without a collar, an empty hole, the tube, or where the lid does not close';

        return [
            $this->says(
                'log.light-leak',
                $this->case->letsLightIn ? 0.9 : 0.75,
                $entry,
                'Light gets to the water: '.($this->case->letsLightIn ? 'its walls let it in.' : 'somewhere.'),
                "Green grows where light comes in: $where.",
                (
                    $this->case->letsLightIn ? 'Wrap the walls in foil, paint or a sleeve. ' : 'Close it with foil or tape. '
                ).'Wipe off what is green at the next change; it takes feed and moves the pH.',
                'Put a lamp into the tub in a dark room and look where it shines out.',
            ),
        ];
    }

    /** @return list<Suspicion> */
    private function wilting(Entry $entry): array
    {
        $causes = [];
        $refill = $this->refillBefore($entry);
        if ($refill !== null) {
            $causes[] = $this->says(
                'log.drowned',
                0.8,
                $entry,
                'Air roots were drowned by the refill.',
                'The leaves hang since water was put in that took the air under the cups.',
                'Take out what is above half of the gap, and leave the rest: new air roots come in a week. Shade the plant meanwhile.',
                'Lift the lid: are the upper roots under water?',
                [$refill->id],
            );
        }
        if ($this->case->tub->isLow($this->case->litres())) {
            $causes[] = $this->says(
                'log.thirst',
                0.85,
                $entry,
                'The roots do not reach the water.',
                sprintf('There are %s left.', $this->case->write->volume($this->case->litres())),
                sprintf(
                    'Pour in %s now, slowly.',
                    $this->case->write->volume(max(0.0, $this->case->tub->fill - $this->case->litres()) / 2),
                ),
                'They stand up again within hours if that was it.',
            );
        }
        $warm = $this->warmest();
        $most = $this->mostWarmth();
        if ($warm !== null && $warm > $most) {
            $causes[] = $this->says(
                'log.hot-roots',
                0.6,
                $entry,
                'The roots are too warm to drink.',
                sprintf('The water is at %s.', $this->case->write->temperature($warm)),
                'Shade the tub, hang a frozen bottle into it, bubble more.',
                'Do they stand up in the morning and hang at noon?',
            );
        }
        if ($this->case->sign(Sign::BrownRoots) !== null) {
            $causes = [...$causes, ...$this->rot(Sign::BrownRoots, $entry)];
        }

        return $causes !== [] ? $causes : [
            $this->says(
                'log.wilting',
                0.4,
                $entry,
                'Something keeps them from drinking.',
                'Leaves hang, and neither the level nor a refill tells why.',
                'Look at the roots: white and firm is well, then it is heat or dry air; brown and soft is rot.',
                'Look at the roots.',
            ),
        ];
    }

    private function refillBefore(Entry $entry): ?Entry
    {
        if ($this->case->tub->system !== GrowingSystem::Passive) {
            return null;
        }
        foreach (array_reverse($this->case->entries) as $other) {
            if (
                $other->time() <= $entry->time() && $entry->time() - $other->time() <= Fare::DROWNED_DAYS
                && ($other->topUp > 0.0 || $other->change)
            ) {
                return $other;
            }
        }

        return null;
    }

    /** @return list<Suspicion> */
    private function weakBubbles(Entry $entry): array
    {
        return $this->case->pump === '' ? $this->noPump($entry) : [
            $this->says(
                'log.stone',
                0.65,
                $entry,
                'The stone is clogged.',
                'Fewer bubbles than it had: lime and slime close its pores, weeks after it was new.',
                'Soak it in vinegar for an hour, rinse, blow it through. Organic feeds clog fine stones soon.',
                'Take the stone off: does the bare tube blow hard?',
            ),
            $this->says(
                'log.air-share',
                0.45,
                $entry,
                'Its share of the air goes elsewhere.',
                'A valve was knocked, a tube came off, or another stone on the line came clean.',
                'Open its valve a little, and throttle the one that bubbles most.',
                'Do the others on the line bubble more than before?',
            ),
        ];
    }

    /** @return list<Suspicion> */
    private function noBubbles(Entry $entry): array
    {
        return $this->case->pump === '' ? $this->noPump($entry) : [
            $this->says(
                'log.no-air',
                0.8,
                $entry,
                'No air comes.',
                'No bubbles: the pump stands, its diaphragm is torn, the check valve sits the wrong way round, or the tube is off or bent.',
                'Look in this order: power, tube, check valve (its arrow points to the tub), diaphragm. Unplug the pump before you '
                    .'open it. Meanwhile lift the lid and '.'stir, or lower the water by a hand: roots live in moist air.',
                "Pull the tube off {$this->case->pump}: does it blow against your cheek?",
            ),
        ];
    }

    /** @return list<Suspicion> */
    private function noPump(Entry $entry): array
    {
        return [
            $this->says(
                'log.no-pump',
                0.9,
                $entry,
                'Nothing bubbles this tub, and nothing has to.',
                'It stands still by design: roots breathe in the gap.',
                'Nothing.',
                'Is there air between cup and water?',
            ),
        ];
    }

    /** @return list<Suspicion> */
    private function dryPlug(Entry $entry): array
    {
        return [
            $this->says(
                'log.dry-plug',
                0.85,
                $entry,
                'The plug gets no water.',
                'It does not reach the water, and no root does yet.',
                'Wet it from above with a spoon, morning and evening, until roots hang into the water; '.(
                    $this->case->way > 0.1 ? 'or raise the water until it touches the cup' : 'raise the water to the cup\'s foot'
                ).'; cover it from sun and wind.',
                'Press it: does water come out?',
            ),
        ];
    }

    /** @return list<Suspicion> */
    private function paleNew(Entry $entry): array
    {
        $ph = $this->ph();
        if ($ph !== null && $ph > self::LOCKS_HIGH) {
            return [
                $this->says(
                    'log.locked',
                    0.85,
                    $entry,
                    'Iron is there and cannot be taken up: the pH is too high.',
                    sprintf('New leaves are pale with green veins, and the pH is %s.', $this->case->write->number($ph, 1)),
                    'Bring the pH down by halves to what these plants want. New leaves come green; the pale ones stay.',
                    'Are the veins greener than the leaf between them?',
                ),
            ];
        }

        return [
            $this->says(
                'log.iron',
                $ph === null ? 0.5 : 0.65,
                $entry,
                'Too little iron, or the like.',
                $ph === null ? 'New leaves are pale; the pH is not known.' : sprintf(
                    'New leaves are pale at a pH of %s, where iron can be taken up.',
                    $this->case->write->number($ph, 1),
                ),
                'Change the water for a whole batch of the feed; one with calcium and magnesium where the water is soft.',
                $ph === null ? 'Read the pH: over 6.8 it is the pH and not the feed.' : 'Are the veins greener than the leaf between them?',
            ),
            ...(
                $this->isCold() ? [
                    $this->says(
                        'log.cold-roots',
                        0.5,
                        $entry,
                        'Cold roots take up little.',
                        'The water is cold.',
                        'Lift the tub off a cold floor, wrap it.',
                        'Are they greener after a warm week?',
                    ),
                ] : []
            ),
        ];
    }

    /** @return list<Suspicion> */
    private function paleOld(Entry $entry): array
    {
        $ec = $this->ec();
        $likes = $this->case->likesEc();
        $isWeak = $ec !== null && $likes !== null && $ec < $likes[0] - 1.0e-9;
        $do = $ec === null ? 'Top up at full strength.' : $this->water->correction($ec) ?? 'Top up at full strength.';

        return [
            $this->says(
                'log.hungry',
                $isWeak ? 0.85 : 0.5,
                $entry,
                'They are hungry: nitrogen goes from old leaves to new ones.',
                $isWeak ? sprintf(
                    'Old leaves are pale, and EC is %s.',
                    $this->case->write->number($ec, 2, 'mS/cm'),
                ) : 'Old leaves are pale.',
                $do,
                'Read EC: in its window it is something else.',
            ),
            ...(
                $isWeak ? [] : [
                    $this->says(
                        'log.age',
                        0.4,
                        $entry,
                        'Leaves at the foot grow old.',
                        'The lowest leaves of a grown plant go in time.',
                        'Pick them off.',
                        'Is it one or two at the foot, and the rest green?',
                    ),
                ]
            ),
        ];
    }

    /** @return list<Suspicion> */
    private function burnt(Entry $entry): array
    {
        $ec = $this->ec();
        $likes = $this->case->likesEc();
        $isStrong = $ec !== null && $likes !== null && $ec > $likes[1] + self::EC_SHOWS;
        $ph = $this->ph();
        $salt = $this->says(
            'log.burnt',
            $isStrong ? 0.85 : 0.45,
            $entry,
            'Too much salt in the water.',
            $isStrong ? sprintf(
                'Tips are burnt, and EC is %s.',
                $this->case->write->number($ec, 2, 'mS/cm'),
            ) : 'Tips burn first where water is too strong.',
            $ec === null ? 'Top up with plain water.' : $this->water->correction($ec) ?? 'Top up with plain water.',
            'Read EC, stirred.',
        );
        $calcium = $this->says(
            'log.calcium',
            $isStrong ? 0.3 : 0.65,
            $entry,
            'Young leaves lack calcium: it goes where water goes, and in damp still air little does.',
            'Edges of the young leaves burn while they grow fast'.(
                $ph !== null && $ph < self::LOCKS_LOW ? sprintf(', and the pH is %s', $this->case->write->number($ph, 1)) : ''
            ).'.',
            'Let air move over them, shade them at noon, and keep EC at the lower end.',
            'Is it the young leaves in the heart, and not the old ones?',
        );

        return $isStrong ? [$salt, $calcium] : [$calcium, $salt];
    }

    /** @return list<Suspicion> */
    private function purple(Entry $entry): array
    {
        $ph = $this->ph();

        return [
            $this->says(
                'log.cold',
                $this->isCold() ? 0.8 : 0.4,
                $entry,
                'It is cold.',
                $this->isCold() ? 'Purple stems, and cold water.' : 'Stems turn purple in the cold.',
                'Lift the tub off the floor, wrap it, bring it in for the night.',
                'Read the water in the morning: under 15 °C it is the cold.',
            ),
            $this->says(
                'log.phosphorus',
                $ph !== null && ($ph > self::LOCKS_HIGH || $ph < self::LOCKS_LOW) ? 0.7 : 0.35,
                $entry,
                'Phosphorus is not taken up.',
                $ph === null ? 'The pH is not known.' : sprintf('The pH is %s.', $this->case->write->number($ph, 1)),
                'Bring the pH into its window; where it is, change the water.',
                'Some kinds are purple by nature: is it new?',
            ),
        ];
    }

    /** @return list<Suspicion> */
    private function notUp(Entry $entry): array
    {
        $sown = array_values(array_filter($this->case->crops, static fn (Crop $c): bool => $c->sowing !== null));
        usort($sown, static fn (Crop $x, Crop $y): int => $y->daysGerminate <=> $x->daysGerminate);
        $crop = $sown[0] ?? null;
        $days = $crop === null || $this->case->sownDays === null ? 0 : $this->case->sownDays - $crop->daysGerminate;
        $range = $crop?->sowing !== null
            ? sprintf(
                '%s to %s',
                $this->case->write->temperature($crop->sowing->lowC),
                $this->case->write->temperature($crop->sowing->highC),
            )
            : 'a warm room';
        $isLate = $days >= self::LATE_SEEDS_DAYS;

        return [
            $this->says(
                'log.not-up',
                $isLate ? 0.75 : 0.45,
                $entry,
                $isLate ? 'They will hardly come any more.' : 'They take their time.',
                $crop !== null ? sprintf('%s takes %d days to come up.', $crop->name, $crop->daysGerminate) : 'Seeds take their time.',
                $isLate ? 'Sow again beside them, with fresh seed.' : "Keep them moist, at $range, covered.",
                'Dig one up: firm and white inside lives, soft is gone.',
            ),
            $this->says(
                'log.cold-seeds',
                $this->isCold() ? 0.7 : 0.35,
                $entry,
                'It is too cold, or too dry, for them.',
                "They come up at $range.",
                "Bring them to $range; keep the plug moist, not wet.",
                'Feel the plug: cold, or dry?',
            ),
        ];
    }

    private function strongWater(): string
    {
        $ec = $this->ec();
        $likes = $this->case->likesEc();

        return $ec !== null && $likes !== null && $ec > $likes[1] ? ' The water is strong too: top up with plain water.' : '';
    }

    private function ph(): ?float
    {
        return $this->case->lastWith(static fn (Entry $e): ?float => $e->ph)?->entry->ph;
    }

    private function ec(): ?float
    {
        return $this->case->lastWith(static fn (Entry $e): ?float => $e->ec)?->entry->ec;
    }

    private function warmest(): ?float
    {
        return $this->case->lastWith(static fn (Entry $e): ?float => $e->celsius)?->entry->celsius;
    }

    private function mostWarmth(): float
    {
        return min([INF, ...array_map(static fn (Crop $c): float => $c->waterTempHighC, $this->case->crops)]);
    }

    private function isCold(): bool
    {
        $is = $this->warmest();

        return $is !== null && $is < self::COLD_ROOTS_C;
    }

    /** @param  list<string>  $more  ids of entries that speak for it too */
    private function says(
        string $code,
        float $sure,
        Entry $entry,
        string $says,
        string $why,
        string $do,
        string $check,
        array $more = [],
    ): Suspicion {
        return new Suspicion($code, $sure, $says, $why, $do, $check, [$entry->id, ...$more]);
    }
}
