<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Build;

use KelpTub\Core\Build\Caution;
use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\Garden\TubExtra;
use KelpTub\Core\Geometry\CrossSection;
use KelpTub\Core\Marks\Tub\TubeHole;
use KelpTub\Core\Vessel\NestedPair;
use KelpTub\Core\Vessel\VesselKind;

/** Lid, board, disc or bottle are marked out and cut, and the walls drilled. */
final class CuttingSteps extends StepGroup
{
    /** † Slots of a cup made at home are no wider than this, mm: pebbles of 8 to 16 mm stay in. */
    private const SLOT_MM = 3.0;

    public function add(): void
    {
        $this->cups();
        $this->lid();
        $this->pair();
    }

    /** Cups that are made at home, and cups that are opened at the foot for stems in collars. */
    private function cups(): void
    {
        $homeMade = $this->tub->homeMadeCups();
        if ($homeMade > 0) {
            $this->bench->step(
                'make-cups',
                'Make the cups',
                "Cut slots no wider than {$this->write->length(self::SLOT_MM)} and a finger apart all round the lower half and in the "
                    .'floor, so that roots come out and pebbles '
                    .'stay in; over a floor that is open lay a scrap of mesh.',
                ['Cups' => (string) $homeMade],
                [Caution::Knife, Caution::Food],
                'cup',
                'sizes',
                'Water runs out of each at once, and no pebble does.',
                $homeMade,
            );
        }
        if ($this->tub->tub->water->cloner->collar && $this->tub->tub->system === GrowingSystem::Cloner) {
            $this->bench->step(
                'open-cups',
                'Open the cups',
                'Cut the floor out of each cup, so that stems hang free of it; the collar holds them above.',
                [],
                [Caution::Knife],
                'cup',
                'sizes',
                'A collar sits tight in each cup, and you see through it.',
                $this->tub->holes->count(),
            );
        }
    }

    private function lid(): void
    {
        $tub = $this->tub->tub;
        $cutting = $this->tub->cutting;
        $count = $this->tub->holes->count();
        if ($tub->body->vessel->kind === VesselKind::Bottle) {
            $this->bench->step(
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
            return;
        }
        if ($cutting->raft !== null) {
            $this->bench->step(
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
                'It floats level, and rises and falls without rubbing.',
            );
        }
        if ($cutting->adapter) {
            $this->bench->step(
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
        $this->bench->step(
            'mark',
            'Mark out',
            match (true) {
                $this->tub->holes->isOneInTheMiddle() => "Find the middle of the {$this->sheet()} and mark it with a cross, or lay the "
                    .'printed template on and prick it through.',
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
            $count === 1
                ? 'The cross is where the drawing has it.'
                : 'Every cross is where the drawing has it; two distances are measured again.',
            $count,
        );
        $hangs = $count === 1
            ? 'The cup hangs by its lip and does not wobble.'
            : 'Every cup hangs by its lip, none drops through or wobbles.';
        if ($tub->holes->traced || $cutting->isCutByKnife()) {
            $this->bench->step(
                'cut',
                $count === 1 ? 'Cut the hole' : 'Cut the holes',
                ($count === 1
                    ? "Trace a circle of {$this->write->fine($cutting->seat->hole)} on the cross. Cut inside its line, try the cup, "
                        .'and widen '
                        .'it until the cup hangs by its lip.'
                    : "Trace circles of {$this->write->fine($cutting->seat->hole)} on the crosses. Cut one inside its line, try a cup, and "
                        .'widen it until the cup hangs by its lip; then the others alike.'),
                $this->seats(),
                [Caution::Knife, Caution::Eyes],
                'cup',
                'hole',
                $hangs,
                $count,
            );
        } else {
            $this->bench->step(
                'pilot',
                $count === 1 ? 'Drill a pilot hole' : 'Drill pilot holes',
                ($count === 1 ? 'Drill a pilot hole on the cross' : "Drill a pilot hole on each of the $count crosses")
                    .', upright, the lid on the tub or on scrap.',
                [],
                [Caution::Saw, Caution::Eyes],
                'lid',
                'centres',
                $count === 1 ? 'The pilot is on its cross.' : 'Every pilot is on its cross.',
                $count,
            );
            $this->bench->step(
                'saw',
                $count === 1 ? 'Saw the hole' : 'Saw the holes',
                ($count === 1
                    ? 'Saw it slowly and try the cup in it: it hangs by its lip and drops in without force. '
                    : 'Saw one hole slowly and try a cup in it: it hangs by its lip and drops in without force. Then saw the rest. ')
                    .'Leave the lid on the tub or lay it on scrap, so that it does not flex.',
                $this->seats(),
                [Caution::Saw, Caution::Eyes],
                'cup',
                'hole',
                $hangs,
                $count,
            );
        }
        $this->bench->step(
            'deburr',
            'Smooth the edges',
            'Take the burr off both faces of '.($count === 1 ? 'the hole' : 'every hole').', and pick out each shred: '
                .($tub->water->stones === null ? 'roots do not want it in the water.' : 'shreds clog stones.'),
            [],
            [],
            'cup',
            'edge',
            'A finger goes round without catching; no shreds are left.',
            $count,
        );
    }

    private function pair(): void
    {
        $tub = $this->tub->tub;
        $pair = $this->tub->fittings->pair;
        if ($pair !== null) {
            $hole = $this->write->fine(NestedPair::CORD_HOLE_MM);
            $this->bench->step(
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
        if ($tub->water->stones !== null && $this->tub->tubeHole() !== TubeHole::None) {
            $this->tubeHole($this->tub->tubeHole() === TubeHole::Cut);
        }
        if (in_array(TubExtra::SightTube, $tub->body->extras, true)) {
            $this->bench->step(
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

    /** What the holes are cut in. */
    private function sheet(): string
    {
        return match (true) {
            $this->tub->cutting->raft !== null => 'board',
            $this->tub->cutting->adapter => 'disc',
            default => 'lid',
        };
    }

    /** @param  bool  $isCut  with the point of a knife; else it is drilled */
    private function tubeHole(bool $isCut): void
    {
        $isInLid = $this->tub->tub->body->tubeThroughLid;
        $height = $this->write->length($this->marks->slant($this->tub->fittings->tubeEntry));
        $hole = $this->write->fine($this->marks->tubeHole());
        $place = $isInLid
            ? 'through the lid inside the rim, away from the holes, as the template has it.'
            : "through the wall, $height up along its outside: above the highest water, under the rim.";
        $this->bench->step(
            'tube-hole',
            $isCut ? 'Cut the tube hole' : 'Drill the tube hole',
            $isCut
                ? "Lay the lid on scrap. Press the point of the knife $place Turn it, from both faces, until the tube just goes "
                    ."through: $hole."
                : "Drill $hole $place",
            ['Hole' => $hole, ...($isInLid ? [] : ['Up the wall' => $height])],
            [$isCut ? Caution::Knife : Caution::Saw, Caution::Eyes],
            $isInLid ? 'lid' : 'section',
            'tube',
            'The tube goes through and holds by itself.',
        );
    }
}
