<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Days;

use KelpTub\Core\Days\Planting;

/** What is planted in a garden, or is planned to be. */
final readonly class Plantings
{
    /** @param  list<Planting>  $all  in the garden's order */
    public function __construct(public array $all)
    {
    }

    /** @return list<Planting> of one copy of a tub; of all its copies without one */
    public function of(string $tub, ?int $copy = null): array
    {
        return array_values(array_filter(
            $this->all,
            static fn (Planting $p): bool => $p->tub === $tub && ($copy === null || $p->copy === $copy),
        ));
    }

    public function byId(string $id): ?Planting
    {
        foreach ($this->all as $planting) {
            if ($planting->id === $id) {
                return $planting;
            }
        }

        return null;
    }
}
