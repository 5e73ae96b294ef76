<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

use KelpTub\Core\Air\AirSystems;
use KelpTub\Core\Air\Branch;
use KelpTub\Core\Air\Stone;
use KelpTub\Core\File\PatchMaker;
use KelpTub\Core\Vessel\Vessel;
use stdClass;

/** Brings air into a tub: stones on its floor, and a line from the garden's first pump or from a new one with a check valve. As patches. */
final readonly class AirEdits
{
    /** † below this a large stone churns the tub, litres. */
    private const SMALL_L = 4.0;

    /** † one stone does not reach the ends of a longer one, mm. */
    private const LONG_MM = 450.0;

    private const PUMP = 'pump-4w-2';

    private const DISTANCE_MM = 1000;

    public function __construct(private Garden $garden, private PatchMaker $patch)
    {
    }

    /**
     * What makes an aerated tub of this one.
     *
     * @return list<stdClass>
     */
    public function aerate(Tub $tub): array
    {
        $patch = $tub->water->stones === null ? $this->patch->set($tub->pointer('/stones'), self::stones($tub->body->vessel, 1)) : [];
        if (! $tub->system->isAerated()) {
            $patch = [
                ...$patch,
                ...$this->patch->set($tub->pointer('/system'), 'aerated'),
                ...$this->patch->set($tub->pointer('/water_line'), 'gap'),
                ...$this->patch->set($tub->pointer('/top_ups'), 'level'),
            ];
        }

        return $this->garden->of(AirSystems::class)->feed($tub->id) ? $patch : [...$patch, ...$this->line($tub->id)];
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

    /** @return list<stdClass> a line to a tub */
    public function line(string $tub): array
    {
        $branch = (object) ['tub' => $tub, 'distance_mm' => self::DISTANCE_MM, 'valve' => 1.0];

        return $this->garden->of(AirSystems::class)->systems === []
            ? $this->patch->append(
                '/air',
                (object) ['id' => 'pump-1', 'pump' => self::PUMP, 'check_valve' => true, 'branches' => [$branch]],
            )
            : $this->patch->append('/air/0/branches', $branch);
    }
}
