<?php

declare(strict_types=1);

namespace KelpTub\Core\Air;

/** The pumps of a garden with their lines, as the grower set them. */
final readonly class AirSystems
{
    /** @param  list<AirSystem>  $systems */
    public function __construct(public array $systems)
    {
    }

    /** Whether a pump's line goes into a tub. */
    public function feed(string $tub): bool
    {
        return $this->to($tub) !== [];
    }

    /**
     * The tubs on the same pumps as one, that one too.
     *
     * @return list<string>
     */
    public function together(string $tub): array
    {
        $tubs = [];
        foreach ($this->to($tub) as $system) {
            $tubs = [...$tubs, ...array_map(static fn (Branch $b): string => $b->tub, $system->branches)];
        }

        return array_values(array_unique($tubs));
    }

    /**
     * The pumps whose lines go into a tub.
     *
     * @return list<AirSystem>
     */
    public function to(string $tub): array
    {
        return array_values(
            array_filter(
                $this->systems,
                static fn (AirSystem $s): bool => array_filter($s->branches, static fn (Branch $b): bool => $b->tub === $tub) !== [],
            ),
        );
    }
}
