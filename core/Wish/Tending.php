<?php

declare(strict_types=1);

namespace KelpTub\Core\Wish;

use KelpTub\Core\Cup\GrowingSystem;
use stdClass;

/** How somebody would look after the tubs, and what for. */
final readonly class Tending
{
    private const VISITS = 3;

    private const AWAY_DAYS = 3;

    /**
     * @param  int  $visits  days of a week on which somebody can come
     * @param  bool  $meter  whether pH and EC are measured; drops alone otherwise
     * @param  bool  $drill  whether there is a drill; else holes are traced and cut
     * @param  list<GrowingSystem>  $systems
     */
    private function __construct(public int $visits, public int $awayDays, public bool $meter, public bool $drill, public array $systems)
    {
    }

    public static function fromDocument(stdClass $raw): self
    {
        return new self(
            $raw->visits_a_week ?? self::VISITS,
            $raw->away_days ?? self::AWAY_DAYS,
            $raw->meter ?? false,
            $raw->drill ?? true,
            array_values(array_map(GrowingSystem::from(...), $raw->systems ?? ['aerated', 'passive'])),
        );
    }

    /**
     * The same with some of it otherwise.
     *
     * @param  array<string, mixed>  $of  by the names of what it is made of
     */
    public function with(array $of): self
    {
        return new self(...[...get_object_vars($this), ...$of]);
    }
}
