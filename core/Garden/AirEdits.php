<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

use KelpTub\Core\Air\AirSystem;
use KelpTub\Core\Air\AirSystems;
use KelpTub\Core\Air\Branch;
use KelpTub\Core\Air\Pump;
use KelpTub\Core\Air\Stone;
use KelpTub\Core\File\PatchMaker;
use KelpTub\Core\Units\QuantityWriter;
use KelpTub\Core\Vessel\Vessel;
use stdClass;

/** Brings air into a tub: stones on its floor, and a line from a pump of the garden or from a new one with a check valve. As patches. */
final readonly class AirEdits
{
    /** † below this a large stone churns the tub, litres. */
    private const SMALL_L = 4.0;

    /** † one stone does not reach the ends of a longer one, mm. */
    private const LONG_MM = 450.0;

    private const PUMP = 'pump-4w-2';

    public const DISTANCE_MM = 1000;

    /** Valve settings by which lines on one pump may share its air. */
    private const SHARING = [0.5, 0.3, 0.2, 0.1];

    public function __construct(private Garden $garden, private PatchMaker $patch)
    {
    }

    /**
     * The ways to bring air into a tub, the simplest first: a line from a pump that is there, the same with valves that share its air
     * out, a larger pump in its place, a pump of its own. Which of them do is found by trying.
     *
     * @param  string  $says  what to call it: "Add air"
     * @param  list<Pump>  $pumps  those that can be had, the smallest first
     */
    public function ways(string $says, Tub $tub, array $pumps): Remedy
    {
        $systems = $this->garden->of(AirSystems::class);
        $body = $this->body($tub);
        if ($systems->feed($tub->id)) {
            return new Remedy($says, $body);
        }
        $first = $systems->systems === [] ? null : $this->lineFrom($systems->systems[0], $tub->id);
        $others = fn (): ?Remedy => Remedy::inTurn(
            $this->otherLines($says, $tub, $pumps),
            /** @param  array{string, list<stdClass>}  $line */
            static fn (array $line): Remedy => new Remedy($line[0], [...$body, ...$line[1]]),
        );

        return $first === null ? $others() ?? new Remedy($says, $body) : new Remedy($says, [...$body, ...$first], $others);
    }

    /**
     * All lines but the first from a pump that is there.
     *
     * @param  list<Pump>  $pumps
     * @return list<array{string, list<stdClass>}> what it is called, and its patch
     */
    private function otherLines(string $says, Tub $tub, array $pumps): array
    {
        $systems = $this->garden->of(AirSystems::class)->systems;

        return [
            ...array_map(fn (AirSystem $s): array => [$says, $this->lineFrom($s, $tub->id)], array_slice($systems, 1)),
            ...array_merge(...array_map(fn (AirSystem $s): array => $this->shared($says, $s, $tub->id), $systems)),
            ...array_merge(...array_map(fn (AirSystem $s): array => $this->pumpedHarder($says, $s, $tub->id, $pumps), $systems)),
            ...array_map(fn (Pump $pump): array => [
                $systems === [] ? $says : "$says from a $pump->name of its own",
                $this->ownPump($pump->key, $tub->id),
            ], $pumps),
        ];
    }

    /**
     * What makes an aerated tub of this one, but for the line.
     *
     * @return list<stdClass>
     */
    private function body(Tub $tub): array
    {
        $patch = $tub->water->stones === null ? $this->patch->set($tub->pointer('/stones'), self::stones($tub->body->vessel, 1)) : [];

        return $tub->system->isAerated() ? $patch : [
            ...$patch,
            ...$this->patch->set($tub->pointer('/system'), 'aerated'),
            ...$this->patch->set($tub->pointer('/water_line'), 'gap'),
            ...$this->patch->set($tub->pointer('/top_ups'), 'level'),
        ];
    }

    /** @return list<stdClass> */
    private function lineFrom(AirSystem $system, string $tub, float $valve = 1.0): array
    {
        return $this->patch->append($system->pointer('/branches'), self::branch($tub, $valve));
    }

    /** @return list<array{string, list<stdClass>}> a line from a pump whose valves share its air out: the new one's, or the others' */
    private function shared(string $says, AirSystem $system, string $tub): array
    {
        $ways = [];
        foreach (self::SHARING as $valve) {
            $open = QuantityWriter::plain(100 * $valve, 0)."\u{202F}%";
            $others = [];
            foreach ($system->branches as $b => $branch) {
                $others = $branch->valve > $valve
                    ? [...$others, ...$this->patch->set($system->pointer("/branches/$b/valve"), $valve)]
                    : $others;
            }
            $ways[] = ["$says, its valve open to $open", $this->lineFrom($system, $tub, $valve)];
            $ways[] = ["$says, and open the other valves of that pump to $open", [...$this->lineFrom($system, $tub), ...$others]];
        }

        return $ways;
    }

    /**
     * A line from a larger pump in the place of this one.
     *
     * @param  list<Pump>  $pumps
     * @return list<array{string, list<stdClass>}>
     */
    private function pumpedHarder(string $says, AirSystem $system, string $tub, array $pumps): array
    {
        $larger = array_values(array_filter($pumps, static fn (Pump $p): bool => $p->freeFlow() > $system->pump->freeFlow()));

        return array_map(fn (Pump $pump): array => [
            "$says, and use the $pump->name",
            [...$this->patch->set($system->pointer('/pump'), $pump->key), ...$this->lineFrom($system, $tub)],
        ], $larger);
    }

    /** @return list<stdClass> another pump with a check valve and one line */
    private function ownPump(?string $key, string $tub): array
    {
        $taken = array_map(static fn (AirSystem $s): string => $s->id, $this->garden->of(AirSystems::class)->systems);
        for ($n = 1; in_array("pump-$n", $taken, true); $n++);

        return $this->patch->append(
            '/air',
            (object) ['id' => "pump-$n", 'pump' => $key ?? self::PUMP, 'check_valve' => true, 'branches' => [self::branch($tub)]],
        );
    }

    private static function branch(string $tub, float $valve = 1.0): stdClass
    {
        return (object) ['tub' => $tub, 'distance_mm' => self::DISTANCE_MM, 'valve' => $valve];
    }

    /** The stones that a new tub gets: two under a long lid, small ones in a small tub. */
    public static function stonesFor(Vessel $vessel): stdClass
    {
        return self::stones($vessel, $vessel->profile->longest() > self::LONG_MM ? 2 : 1);
    }

    private static function stones(Vessel $vessel, int $count): stdClass
    {
        $kind = $vessel->profile->brim() < self::SMALL_L ? 'cylinder-50' : 'disc-100';

        return (object) ['kind' => $kind, 'count' => $count, 'height_mm' => (int) Stone::DEFAULT_HEIGHT_MM];
    }

    /**
     * Takes a tub off its lines; a pump that feeds nothing more goes with the last of them.
     *
     * @return list<stdClass>
     */
    public function cut(string $tub): array
    {
        $patch = [];
        foreach (array_reverse($this->garden->of(AirSystems::class)->systems) as $system) {
            $lines = array_keys(array_filter($system->branches, static fn (Branch $b): bool => $b->tub === $tub));
            if ($lines !== [] && count($lines) === count($system->branches)) {
                $patch = [...$patch, ...$this->patch->remove($system->pointer())];

                continue;
            }
            foreach (array_reverse($lines) as $line) {
                $patch = [...$patch, ...$this->patch->remove($system->pointer("/branches/$line"))];
            }
        }

        return $patch;
    }

    /** @return list<stdClass> so far from the pump, on every line of a tub */
    public function distances(string $tub, int $millimetres): array
    {
        $patch = [];
        foreach ($this->garden->of(AirSystems::class)->systems as $system) {
            foreach ($system->branches as $b => $branch) {
                $patch = $branch->tub === $tub
                    ? [...$patch, ...$this->patch->set($system->pointer("/branches/$b/distance_mm"), $millimetres)]
                    : $patch;
            }
        }

        return $patch;
    }

    /** @return list<stdClass> a line to a tub */
    public function line(string $tub): array
    {
        $systems = $this->garden->of(AirSystems::class)->systems;

        return $systems === [] ? $this->ownPump(null, $tub) : $this->lineFrom($systems[0], $tub);
    }
}
