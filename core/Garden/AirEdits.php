<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

use KelpTub\Core\Air\AirSystems;
use KelpTub\Core\File\PatchMaker;
use stdClass;

/** Brings air into a tub: stones on its floor, and a line from the garden's first pump or from a new one with a check valve. As patches. */
final readonly class AirEdits
{
    /** † below this a large stone churns the tub, litres. */
    private const SMALL_L = 4.0;

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
        $patch = $tub->water->stones === null ? $this->patch->set($tub->pointer('/stones'), self::stones($tub)) : [];
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

    /** The stones a tub of its size gets. */
    private static function stones(Tub $tub): stdClass
    {
        return (object) [
            'kind' => $tub->body->vessel->profile->brim() < self::SMALL_L ? 'cylinder-50' : 'disc-100',
            'count' => 1,
            'height_mm' => 20,
        ];
    }

    /** @return list<stdClass> a line to a tub */
    private function line(string $tub): array
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
