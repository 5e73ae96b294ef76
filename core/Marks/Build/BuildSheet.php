<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Build;

use KelpTub\Core\Air\Supply;
use KelpTub\Core\Build\Caution;
use KelpTub\Core\Build\Step;
use KelpTub\Core\Crop\CropShare;
use KelpTub\Core\Crop\Plug;
use KelpTub\Core\Crop\StartedFrom;
use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\Feed\Dose;
use KelpTub\Core\Feed\Water;
use KelpTub\Core\Garden\Plan;
use KelpTub\Core\Garden\Tub;
use KelpTub\Core\Garden\TubExtra;
use KelpTub\Core\Geometry\CrossSection;
use KelpTub\Core\Marks\Air\AirPlan;
use KelpTub\Core\Marks\Air\AirPlans;
use KelpTub\Core\Marks\Feed\FeedPlan;
use KelpTub\Core\Marks\Feed\FeedPlans;
use KelpTub\Core\Marks\Tub\TubPlan;
use KelpTub\Core\Marks\Tub\TubPlans;
use KelpTub\Core\Units\QuantityWriter;
use KelpTub\Core\Units\Unit;
use KelpTub\Core\Units\UnitSystem;
use KelpTub\Core\Vessel\Cover;
use KelpTub\Core\Vessel\NestedPair;
use KelpTub\Core\Vessel\VesselKind;
use KelpTub\Core\Vessel\Weight;

/**
 * What is done at the bench to build a tub, step by step, with this design's numbers. Tubs alike are built together. Source: handbook,
 * build, "The build sheet".
 */
final class BuildSheet
{
    /** † Minutes for one tub, and for each of what a step handles. */
    private const MINUTES = [
        'sow' => [10, 1], 'raise' => [10, 1], 'check' => [5, 0], 'measure' => [10, 0],
        'mark' => [5, 2], 'pilot' => [3, 1], 'saw' => [5, 2], 'cut' => [5, 5], 'deburr' => [3, 1],
        'tube-hole' => [5, 0], 'sight-tube' => [20, 0], 'adapter' => [20, 0], 'board' => [25, 3], 'bottle' => [10, 0], 'cover' => [30, 0],
        'wash' => [15, 0], 'pair' => [20, 0], 'stand' => [5, 0], 'route' => [10, 3], 'stones' => [5, 2], 'pump' => [10, 0],
        'drip' => [20, 2],
        'wet-test' => [15, 0], 'spray-test' => [15, 0], 'fill' => [10, 0], 'balance' => [10, 0], 'stand-water' => [2, 0], 'feed' => [10, 0],
        'ph' => [10, 0], 'plant' => [5, 3], 'support' => [15, 0], 'light-check' => [5, 0], 'log' => [5, 0],
    ];

    /** Drops of a usual bottle in a millilitre †, and those of the example: on a litre, or on a quarter of one from a vessel under 6 L. */
    private const DROPS_A_ML = 20;

    private const TRIAL_DROPS = 6;

    private const SMALL_L = 6.0;

    private const SMALL_TRIAL_DROPS = 2;

    /** The shallow water of a first test covers stones by so much, mm. */
    private const COVERED_MM = 20.0;

    /** @var list<Step> */
    private array $steps = [];

    /** How high the water stands at the step that comes next, mm; null: at its line. */
    private ?float $standing = 0.0;

    private bool $isPlanted = false;

    private readonly TubPlan $tub;

    private readonly Raising $raising;

    private readonly StepParts $parts;

    private readonly QuantityWriter $write;

    private readonly Templates $marks;

    private readonly FeedPlan $feed;

    private readonly ?AirPlan $air;

    private readonly Water $source;

    private function __construct(Plan $plan, Tub $tub)
    {
        $this->tub = $plan->get(TubPlans::class)->tubs[$tub->id];
        $this->write = new QuantityWriter($plan->garden->units);
        $this->raising = new Raising($this->tub, $plan->garden->site, $this->write);
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

    /** @return list<Step> in the order of the bench */
    public static function of(Plan $plan, Tub $tub): array
    {
        $sheet = new self($plan, $tub);
        $sheet->raise();
        $sheet->prepare();
        $sheet->cut();
        $sheet->cover();
        $sheet->air();
        $sheet->water();
        $sheet->planting();

        return $sheet->steps;
    }

    /** @return list<string> keys of the parts and tools that a tub takes: each is used by some step */
    public static function keysOf(Plan $plan, Tub $tub): array
    {
        return (new self($plan, $tub))->parts->keys();
    }

    private function raise(): void
    {
        if ($this->raising->shares === []) {
            return;
        }
        $plugs = array_sum(array_map(static fn (CropShare $s): int => $s->plants, $this->raising->shares));
        $this->step(
            'sow',
            'Sow the seeds',
            $this->raising->sow(),
            $this->raising->sowFigures(),
            [],
            'plug',
            'seed',
            'Each plug has its seeds, and the cover is on.',
            $plugs,
        );
        $this->step(
            'raise',
            'Raise the seedlings',
            $this->raising->raise(),
            $this->raising->raiseFigures(),
            [],
            'plug',
            'roots',
            'Roots show at the foot of every plug. Until then, go on with the tub.',
            $plugs,
        );
    }

    private function prepare(): void
    {
        $tub = $this->tub->tub;
        $cup = $tub->holes->cup;
        $this->step(
            'check',
            'Check what came',
            $this->together().'Measure one cup under its lip and the lid or mouth it goes into. This sheet goes by the sizes below: '
                .'where yours '
                .'differ by more than a millimetre, change them in the design before anything is cut.',
            [
                'Cup under its lip' => $this->write->fine($cup->top),
                'Cup’s lip' => $this->write->fine($cup->lip),
                ...($this->tub->cutting->inMouth ? [] : $this->across()),
            ],
            [Caution::Food, Caution::Local],
            'cup',
            'sizes',
            'One cup and the lid are as the design has them.',
        );
        $this->step(
            'measure',
            'Measure the vessel',
            'Fill it by the jug to two depths, one near the water line and one half-way, and write down litres and depth. Give them to the '
                .'vessel: its volume is then known, not guessed.',
            [
                'Inside depth' => $this->write->length($tub->body->vessel->profile->rim()),
                'To the water line' => $this->write->volume($this->tub->water->working()),
            ],
            [...($tub->body->vessel->kind === VesselKind::Jar ? [Caution::Glass] : [])],
            'section',
            'fill',
            'Two fills are written down.',
        );
    }

    /** @return array<string, string> */
    private function across(): array
    {
        $outline = $this->tub->cutting->lid->outline;
        $name = $this->tub->cutting->raft === null ? 'Lid' : 'Board';

        return $outline->round
            ? ["$name across" => $this->write->length($outline->length)]
            : ["$name, long and wide" => "{$this->write->length($outline->length)} × {$this->write->length($outline->width)}"];
    }

    private function cut(): void
    {
        $tub = $this->tub->tub;
        $cutting = $this->tub->cutting;
        $count = $this->tub->holes->count();
        if ($tub->body->vessel->kind === VesselKind::Bottle) {
            $this->step(
                'bottle',
                'Cut the bottle',
                "Draw a line round the bottle {$this->write->length($tub->body->vessel->profile->rim())} above its inside floor and "
                    .'cut along it. '
                    .'Tape the edge: it is sharp.',
                ['Cut at' => $this->write->length($tub->body->vessel->profile->rim())],
                [Caution::Knife],
                'section',
                'rim',
                'The edge is level and taped all round.',
            );
        }
        if ($cutting->inMouth || $tub->holes->drilled) {
            $this->pair();

            return;
        }
        if ($cutting->raft !== null) {
            $this->step(
                'board',
                'Cut the board',
                "Cut the foam board to {$this->size($cutting->raft->board)}, so that it clears the walls by "
                    ."{$this->write->length($cutting->raft->gap)} "
                    ."where the water stands. Cut a refill hole of {$this->write->length(Templates::REFILL_MM)} where the template has it, "
                    .'away from the cups'.match (true) {
                        $tub->water->stones === null => '.',
                        $this->marks->isTubeBesideBoard() => '; the air tube goes down beside the board.',
                        default => ': the air tube goes down through it, since the gap is too narrow for it.',
                    },
                [
                    'Board' => $this->size($cutting->raft->board),
                    'Gap all round' => $this->write->length($cutting->raft->gap),
                    'Refill hole' => $this->write->length(Templates::REFILL_MM),
                ],
                [Caution::Knife],
                'lid',
                'outline',
                'It floats level and turns freely at the water line.',
            );
        }
        if ($cutting->adapter) {
            $this->step(
                'adapter',
                'Cut the adapter disc',
                "Draw the mouth’s circle of {$this->write->length($tub->body->lid->across())} on the disc and cut along it.",
                ['Outer circle' => $this->write->length($tub->body->lid->across())],
                [Caution::Knife],
                'lid',
                'outline',
                'The disc lies on the mouth and does not slip off it.',
            );
        }
        $this->step(
            'mark',
            'Mark out',
            match (true) {
                $this->tub->holes->isOneInTheMiddle() => 'Find the middle of '.($cutting->raft === null ? 'the lid' : 'the board')
                    .' and mark it with a cross, or lay the printed template on and prick it through.',
                default => ($cutting->lid->outline->round ? 'Find the middle, then mark' : 'Measure from the left and the front edge '
                    .'and mark')
                    .($count === 1 ? ' the hole’s centre' : " the centres of the $count holes")
                    .', or lay the printed template on and prick through.'
                    .($this->tub->holes->arrangement->holeDistance === null
                        ? ''
                        : " The nearest two are {$this->write->length($this->tub->holes->arrangement->holeDistance)} apart."),
            },
            $this->places(),
            [],
            'lid',
            'centres',
            'Every cross is where the drawing has it; two distances are measured again.',
            $count,
        );
        if ($tub->holes->traced || $cutting->isCutByKnife()) {
            $this->step(
                'cut',
                'Cut the holes',
                "Trace circles of {$this->write->fine($cutting->seat->hole)} on the crosses. Cut one inside its line, try a cup, and "
                    .'widen it until '
                    .'the cup hangs by its lip; then the others alike.',
                $this->seats(),
                [Caution::Knife, Caution::Eyes],
                'cup',
                'hole',
                'Every cup hangs by its lip, none drops through or wobbles.',
                $count,
            );
        } else {
            $this->step(
                'pilot',
                'Drill pilot holes',
                ($count === 1 ? 'Drill a pilot hole on the cross' : "Drill a pilot hole on each of the $count crosses")
                    .', upright, the lid on the tub or on scrap.',
                [],
                [Caution::Saw, Caution::Eyes],
                'lid',
                'centres',
                'Every pilot is on its cross.',
                $count,
            );
            $this->step(
                'saw',
                'Saw the holes',
                'Saw one hole slowly and try a cup in it: it hangs by its lip and drops in without force. Then saw the rest. Leave '
                    .'the lid on '
                    .'the tub or lay it on scrap, so that it does not flex.',
                $this->seats(),
                [Caution::Saw, Caution::Eyes],
                'cup',
                'hole',
                'Every cup hangs by its lip, none drops through or wobbles.',
                $count,
            );
        }
        $this->step(
            'deburr',
            'Smooth the edges',
            'Take the burr off both faces of every hole, and pick out each shred: shreds clog stones.',
            [],
            [],
            'cup',
            'edge',
            'A finger goes round every hole without catching; no shreds are left.',
            $count,
        );
        $this->pair();
    }

    private function pair(): void
    {
        $tub = $this->tub->tub;
        $pair = $this->tub->fittings->pair;
        if ($pair !== null) {
            $hole = $this->write->fine(NestedPair::CORD_HOLE_MM);
            $this->step(
                'pair',
                'Ready the lower vessel',
                "Saw a hole of $hole for the cord, {$this->write->length($pair->cordHole())} above the lower floor, and fit the "
                    .'grommet. Lay the blocks, '
                    .'stand the pump between them, and lead its tube up between the walls past the inner tub, in a loop for the valve.',
                [
                    'Cord hole' => $hole,
                    'Its height' => $this->write->length($pair->cordHole()),
                    'Blocks' => $this->write->length($pair->blocks),
                ],
                [Caution::Saw, Caution::Eyes],
                'section',
                'pair',
                'The upper vessel stands level on the blocks, and nothing pinches cord or tube.',
            );
        }
        // Beside a board, or a cup in a mouth, the tube needs no hole.
        $drilled = ! $tub->body->tubeThroughLid || (! $this->tub->cutting->inMouth && $this->tub->cutting->raft === null);
        if ($tub->water->stones !== null && $drilled) {
            $height = $this->marks->slant($this->tub->fittings->tubeEntry);
            $this->step(
                'tube-hole',
                'Drill the tube hole',
                $tub->body->tubeThroughLid
                    ? "Drill {$this->write->fine($this->marks->tubeHole())} through the lid inside the rim, away from the holes, as "
                        .'the template has it.'
                    : "Drill {$this->write->fine($this->marks->tubeHole())} through the wall, {$this->write->length($height)} up "
                        .'along its outside: above '
                        .'the highest water, under the rim.',
                [
                    'Hole' => $this->write->fine($this->marks->tubeHole()),
                    ...($tub->body->tubeThroughLid ? [] : ['Up the wall' => $this->write->length($height)]),
                ],
                [Caution::Saw, Caution::Eyes],
                $tub->body->tubeThroughLid ? 'lid' : 'section',
                'tube',
                'The tube goes through and holds by itself.',
            );
        }
        if (in_array(TubExtra::SightTube, $tub->body->extras, true)) {
            $this->step(
                'sight-tube',
                'Fit the sight tube',
                'Drill the hole for the bulkhead low in the wall, fit it with its washer inside, turn the elbow upward, and push the '
                    .'clear tube on up '
                    .'to the rim. Cover the clear tube when you do not read it: light grows algae in it.',
                [
                    'Hole' => $this->write->fine((float) TubExtra::BULKHEAD_HOLE_MM),
                    'Tube' => $this->write->run($tub->body->vessel->profile->rim()),
                ],
                [Caution::Saw, Caution::Eyes],
                'section',
                'sight',
                'No drip at the bulkhead with the tub half full.',
            );
        }
    }

    private function cover(): void
    {
        $tub = $this->tub->tub;
        $strip = $tub->system === GrowingSystem::Passive && $tub->body->vessel->opacity->needsCover();
        if ($tub->body->cover !== Cover::None) {
            $leave = $strip
                ? ' Leave a strip bare from '.$this->write->length($this->tub->water->lowest()).' to '
                    .$this->write->length(
                        $this->tub->water->line->highest(),
                    ).' above the inside floor, to read the level by; cover it with a flap.'
                : '';
            $this->step('cover', 'Keep the light out', match ($tub->body->cover) {
                Cover::Paint => 'Mask what stays bare. Spray the outside dark, let it dry, then pale over it.',
                Cover::Foil => 'Wrap the outside in foil, shiny side out, and tape its seams.',
                Cover::Sleeve => 'Sew or tape the cloth into a sleeve that slides off, so that the level can be read.',
                default => 'Lay the opaque bag in, fold it over the rim, and let the first water press it into the corners.',
            }.$leave, [], $tub->body->cover === Cover::Paint ? [Caution::Paint] : [], 'section', 'cover', 'A lamp held behind it '
                .'shows nowhere but at the strip.');
        }
        $this->step(
            'wash',
            'Wash everything',
            'Wash vessel, lid and cups with a drop of washing-up liquid and rinse them well. Rinse the pebbles until the water runs clear.',
            [],
            [Caution::Food],
            'section',
            'inside',
            'The rinsing water is clear.',
        );
        if (in_array(TubExtra::Battens, $tub->body->extras, true)) {
            $this->step(
                'stand',
                'Lay the battens',
                'Lay the battens where the tub will stand, so that it bears on both and is off the cold floor.',
                [],
                [Caution::Weight],
                'section',
                'stand',
                'The empty tub stands without rocking.',
            );
        }
    }

    private function air(): void
    {
        $tub = $this->tub->tub;
        if ($tub->system === GrowingSystem::Nursery) {
            $drip = $tub->water->drip;
            $this->step(
                'drip',
                'Lay the drip tube',
                'Stand the water pump on the floor, lead the tube up and round the lid by the outermost cups, and prick a stub to '
                    .'each. Set the timer to '
                    .$this->write->number($drip->on, 0, 'min').' on and '.$this->write->number($drip->off, 0, 'min').' off, day and night.',
                [
                    'Timer' => "{$this->write->number($drip->on, 0)} on, {$this->write->number($drip->off, 0)} off",
                    'Flow' => $this->write->number($drip->flow, 0, 'L/h'),
                ],
                [Caution::Electricity],
                'section',
                'drip',
                'Every cup is wet after one cycle. Hand plants over to their tubs when roots show under the cups.',
                $this->tub->holes->count(),
            );
        }
        if ($this->air === null || $tub->water->stones === null) {
            return;
        }
        $branch = (int) array_search($this->tub, $this->air->tubs, true);
        $length = $this->write->run($this->air->routes[$branch]->length());
        $this->step(
            'route',
            'Route the tube',
            "Cut {$length} for this line, some of it to spare, and lead it without kinks. "
                .($this->air->system->checkValve ? 'Fit the check valve outside the tub with its arrow away from the pump. ' : '')
                .'Push tees and valves on as far as they go.',
            ['Line' => $length],
            [],
            'air',
            'lines',
            'You can blow through the line from the pump’s end, and not from the other.',
            $tub->water->stones->inAll(),
        );
        $this->step(
            'stones',
            'Fix the stones',
            $tub->water->stones->inAll() === 1
                ? 'Soak the stone an hour. Fix it to the floor with its suction cups where the floor plan has it: under the cups, off '
                    .'the walls.'
                : 'Soak the stones an hour. Fix each to the floor with its suction cups where the floor plan has it: under the cups, '
                    .'off the '
                    .'walls.',
            ['Stones' => (string) $tub->water->stones->inAll(), 'Over the floor' => $this->write->length($tub->water->stones->highest())],
            [],
            'section',
            'stones',
            'A pull on the tube does not move them.',
            $tub->water->stones->inAll(),
        );
        $pump = $this->air->system->pump;
        $this->step(
            'pump',
            'Place the pump',
            match (true) {
                $this->air->system->aboveWater => 'Stand the pump above the highest water.',
                $this->air->system->checkValve => 'Stand the pump behind the check valve, dry.',
                default => 'Stand the pump dry; without a check valve it belongs above the water.',
            }.' Let its cord hang in a loop lower than the socket, so that drops fall off.',
            ['Pump' => $pump->name, 'Power' => $this->write->number($pump->watts, 1, 'W')],
            [Caution::Electricity, ...($pump->supply === null || $pump->supply === Supply::Mains ? [] : [Caution::Battery])],
            'air',
            'pump',
            'No water can run along a cord or back through a tube to it.',
        );
        $this->standing = min($tub->water->stones->highest() + self::COVERED_MM, $this->tub->water->line->grown);
        $shallow = $this->tub->water->reservoir->litresAt($this->standing);
        $this->step(
            'wet-test',
            'Test it wet',
            "Pour in {$this->write->volume($shallow)}, so that the stones are just covered, and run the pump for ten minutes. Write "
                .'down which stones bubble.',
            ['Water for it' => $this->write->volume($shallow)],
            [Caution::Electricity],
            'section',
            'bubbles',
            'Every stone bubbles, nothing drips anywhere for ten minutes.',
        );
    }

    private function water(): void
    {
        $tub = $this->tub->tub;
        $line = $this->tub->water->line;
        $heavy = $this->tub->fittings->weight->kg > Weight::LIFT_LIMIT_KG;
        $passive = $tub->system === GrowingSystem::Passive;
        $low = $line->start > $line->grown;
        $this->step(
            'fill',
            $low ? 'Fill up to the cups' : 'Fill to the line',
            ($low
                ? 'Mark the water line. Where it will stand, fill it by the jug past the line, up to the cups’ feet: short roots reach '
                    .'the water there, and drink it down to the line, to which you top up later. It should take '
                : 'Where it will stand, fill it by the jug to the water line and mark the line. It should take ')
                ."{$this->write->volume($this->tub->water->start())}: "
                .'write down what it took.'
                .($passive ? ' Never fill above the cups’ feet again once roots hang in the air: air roots drown.' : ''),
            [
                'Water line' => $this->write->length($line->held ?? $line->grown),
                ...($low ? ['First fill' => $this->write->length($line->start)] : []),
                'Litres' => $this->write->volume($this->tub->water->start()),
                'Full, it weighs' => $this->write->mass($this->tub->fittings->weight->kg),
            ],
            [
                ...($heavy ? [Caution::Weight] : []),
                Caution::StandingWater,
                ...($tub->body->vessel->kind === VesselKind::Jar ? [Caution::Glass] : []),
            ],
            'section',
            'line',
            'The line is marked and the litres are written down.',
        );
        if ($tub->system === GrowingSystem::Cloner) {
            $this->step(
                'spray-test',
                'Test the spray',
                "Set the cups in empty and run the pump. Stems end {$this->write->length($tub->water->cloner->stemBelowCup)} under "
                    .'the cups: bubbles must wet them there.',
                ['Stems under the cup' => $this->write->length($tub->water->cloner->stemBelowCup)],
                [Caution::Electricity],
                'section',
                'spray',
                'A dry finger through every cup comes back wet.',
            );
        }
        $this->balance();
        $hours = $this->source->disinfectant->standingHours();
        if ($hours !== 0) {
            $this->step(
                'stand-water',
                $hours === null ? 'Take the chloramine out' : 'Let the water stand',
                $hours === null
                    ? 'Chloramine does not gas off: use a dechlorinator by its label, or the filter you planned.'
                    : "Let it stand $hours hours with the lid off and the air on, so that the chlorine gasses off.",
                $hours === null ? [] : ['Hours' => (string) $hours],
                $hours === null ? [Caution::Chemicals] : [],
                'section',
                'water',
                $hours === null ? 'A test strip shows none.' : 'It smells of nothing.',
            );
        }
        $this->feed();
    }

    private function balance(): void
    {
        $branch = $this->air === null ? false : array_search($this->tub, $this->air->tubs, true);
        if ($this->air === null || $branch === false || $this->tub->tub->water->stones === null) {
            return;
        }
        $valve = $this->air->system->branches[$branch]->valve;
        if ($valve >= 1.0 && ! $this->air->system->manifold) {
            return;
        }
        $this->step(
            'balance',
            'Balance the valves',
            $valve >= 1.0
                ? 'Open this line’s valve fully, and throttle the others to their settings.'
                : "Close this line’s valve to about {$this->write->number($valve * 100, 0)} % open, then trim it until its stones "
                    .'bubble as the drawing has it.',
            [
                'Valve' => $this->write->number($valve * 100, 0).' % open',
                'Air for it' => $this->write->number($this->air->flows[$branch], 2, 'L/min'),
            ],
            [],
            'air',
            'valves',
            'Every tub on the pump bubbles, the far one too.',
        );
    }

    private function feed(): void
    {
        $feed = $this->feed->feed;
        $litres = $this->tub->water->start();
        $ec = $this->feed->mixing->ecAt($this->feed->stage());
        $doses = $this->feed->mixing->doses($litres, $this->feed->stage());
        $batch = Dose::batch($doses, $litres);
        $shared = '';
        if ($batch !== null) {
            $doses = array_map(static fn (Dose $d): Dose => $d->times($batch / $litres), $doses);
            $shared = sprintf(
                'For one tub that is too little to measure: make %s and share it. ',
                $this->write->volume($batch),
            );
        }
        $given = array_filter($doses, static fn (Dose $d): bool => $d->amount > 0.0) !== [];
        if ($feed !== null) {
            $amounts = array_map(fn (Dose $d): string => $d->part->name.' '.$this->amount($d), $doses);
            $first = $feed->emptyTub ? 'Put the feed into the empty tub and let the hose mix it' : 'Into the water, one after '
                .'another, stirred in between';
            $this->step(
                'feed',
                'Mix the feed',
                ! $given
                    ? 'Plain water until the seeds have sprouted: no feed goes in yet.'
                    : "$shared$first: ".implode(', then ', $amounts).'. Never let two parts meet undiluted.',
                array_combine(array_map(static fn (Dose $d): string => $d->part->name, $doses), array_map($this->amount(...), $doses)),
                [Caution::Chemicals],
                'jugs',
                'parts',
                $ec === null
                    ? 'All of it has dissolved.'
                    : "All of it has dissolved, and the EC reads about {$this->write->number($ec, 1, 'mS/cm')}.",
            );
        }
        $aim = $feed?->ph->aim($this->tub->plants->mix->phWindow()) ?? null;
        $this->step(
            'ph',
            'Set the pH',
            $aim === null
                ? 'Read the pH and write it down.'
                : $this->phTrial($aim['target'], $litres),
            $aim === null ? [] : [
                'Aim' => $this->write->number($aim['target'], 1),
                'Stay within' => $this->write->number($aim['low'], 1).' to '.$this->write->number($aim['high'], 1),
            ],
            [Caution::Chemicals],
            'jugs',
            'ph',
            $aim === null ? 'It is written down.' : 'Two readings a day apart are within the window.',
        );
    }

    /** How much of pH-down or -up it takes: found by drops on a small measure of this tub's water, and half of it given first. */
    private function phTrial(float $target, float $litres): string
    {
        $isSmall = $litres < self::SMALL_L;
        $drops = $isSmall ? self::SMALL_TRIAL_DROPS : self::TRIAL_DROPS;
        [$trial, $measure] = match (true) {
            $this->write->system === UnitSystem::Us => $isSmall
                ? [Unit::L_PER_US_GALLON / 16, 'a cup (8 fl oz)']
                : [Unit::L_PER_US_QUART, 'a quart'],
            $isSmall => [0.25, 'a quarter of a litre'],
            default => [1.0, 'a litre'],
        };
        $ml = $drops / self::DROPS_A_ML * $litres / $trial;

        return "Half an hour after the feed, take out $measure and count the drops of pH-down or pH-up that bring it to "
            ."{$this->write->number($target, 1)}. ".self::DROPS_A_ML." drops are a millilitre: had it taken $drops"
            .", the {$this->write->volume($litres)} would take {$this->write->number($ml, $ml < 10.0 ? 1 : 0, 'mL')}. Give half of yours, "
            .'thinned in a jug of the tub’s water, stir, wait a quarter of an hour and measure; then give what is missing. Read it again '
            .'the next day.';
    }

    private function amount(Dose $dose): string
    {
        $digits = match (true) {
            $dose->amount >= 10.0 => 0,
            $dose->amount >= 1.0 => 1,
            default => 2,
        };

        return $this->write->number($dose->amount, $digits, $dose->part->unit())
            .($digits === 2 && $dose->amount > 0.0 ? ', on a pocket scale' : '');
    }

    private function planting(): void
    {
        $ec = $this->feed->mixing->ecAt($this->feed->stage());
        $tub = $this->tub->tub;
        $plants = $this->tub->plants->count;
        if ($plants > 0) {
            $this->step(
                'plant',
                $tub->system === GrowingSystem::Cloner ? 'Set the cuttings' : 'Set the plants in',
                match (true) {
                    $tub->system === GrowingSystem::Cloner => 'Cut stems to length under a leaf joint, strip the lower leaves, and '
                        .'hold each in its collar so that it ends '
                        .$this->write->length($tub->water->cloner->stemBelowCup).' under the cup.',
                    $tub->planting->started === StartedFrom::Seedling => 'Rinse the soil off the roots, lead them down through the '
                        .'cup, and fill pebbles round them.',
                    $tub->planting->started === StartedFrom::Seed => "Fill the cups with pebbles. {$this->raising->inCups()} Cover them "
                        .'until seedlings show, and wet them from above until roots reach the water.',
                    $tub->planting->plug === Plug::None => 'Set each seedling in its cup, roots down through the slots, and fill '
                        .'pebbles round it.',
                    default => 'Wet each plug, set it in its cup with the roots down through the slots, and fill pebbles round it.',
                },
                ['Plants' => (string) $plants],
                [],
                'plant',
                'roots',
                'Every plug is wet and no root is bent upward.',
                $plants,
            );
        }
        if ($tub->planting->trellis) {
            $this->step(
                'support',
                'Put up the trellis',
                'Stand the trellis on the floor or the wall, not on the tub, and clip each stem to it loosely.',
                [],
                [],
                'plant',
                'support',
                'It stands by itself when you push it.',
            );
        }
        $this->step(
            'light-check',
            'Look for light',
            ($this->tub->cutting->inMouth ? 'Set the cup in.' : 'Put the lid on.')
                .' In the dark, hold a lamp to every joint and empty hole, and look inside. Cover what lets light in.',
            [],
            [Caution::StandingWater],
            'section',
            'light',
            'No light shows inside.',
        );
        $this->step(
            'log',
            'First reading',
            'Read level, EC, pH and temperature and write them in the log: the first of the row by which everything later is judged.',
            $ec === null ? [] : ['EC about' => $this->write->number($ec, 1, 'mS/cm')],
            [],
            'section',
            'line',
            'The reading is in the log.',
        );
    }

    /** @return array<string, string> each hole's place as a tape has it */
    private function places(): array
    {
        $outline = $this->tub->cutting->lid->outline;
        $places = [];
        foreach ($this->tub->holes->arrangement->points as $i => $p) {
            $angle = fmod(rad2deg(atan2($p->y, $p->x)) + 360.0, 360.0);
            if ($this->tub->holes->isOneInTheMiddle()) {
                return ['Hole 1' => 'in the middle'];
            }
            $places['Hole '.($i + 1)] = $outline->round
                ? "{$this->write->length(hypot($p->x, $p->y))} out, {$this->write->number($angle, 0)}°"
                : "{$this->write->length($p->x + $outline->length / 2)} from the left, "
                    ."{$this->write->length($p->y + $outline->width / 2)} from the front";
        }

        return $places;
    }

    /** @return array<string, string> what cuts each size, and how the cup sits in it */
    private function seats(): array
    {
        $figures = [];
        foreach ($this->tub->cutting->sizes as $i => $size) {
            if ($this->tub->holes->cupsOf($i) > 0) {
                $figures["Hole for the {$size->cup->name}"] = $this->write->fine($size->seat->hole)
                    .($size->saw === null || $this->tub->cutting->isCutByKnife() ? '' : ', saw '.$size->saw->name());
                $figures['Its lip bears'] = $this->write->fine($size->seat->bearing).' all round';
            }
        }

        return $figures;
    }

    private function size(CrossSection $section): string
    {
        return $section->round
            ? $this->write->length($section->length).' across'
            : "{$this->write->length($section->length)} × {$this->write->length($section->width)}";
    }

    private function together(): string
    {
        $count = $this->tub->tub->count;

        return $count === 1 ? '' : "Build the $count alike together, each step on all of them before the next. ";
    }

    /**
     * @param  array<string, string>  $figures
     * @param  list<Caution>  $cautions
     * @param  int  $many  of what the step handles one after another, in one tub
     */
    private function step(
        string $key,
        string $title,
        string $does,
        array $figures,
        array $cautions,
        string $drawing,
        string $highlight,
        string $doneWhen,
        int $many = 0,
    ): void {
        [$once, $each] = self::MINUTES[$key];
        [$tools, $parts] = $this->parts->at($key);
        $this->standing = $key === 'fill' ? null : $this->standing;
        $this->steps[] = new Step(
            $key,
            $title,
            $does,
            $figures,
            $tools,
            $parts,
            ($once + $each * $many) * $this->tub->tub->count,
            $cautions,
            $drawing,
            $highlight,
            $this->standing,
            $this->isPlanted = $this->isPlanted || $key === 'plant',
            $doneWhen,
        );
    }
}
