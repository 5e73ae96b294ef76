<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

use KelpTub\Core\Units\UnitSystem;
use LogicException;
use stdClass;

/** One plan: a site, its tubs, and what is asked for under each mark. Made by GardenReader, never changed. */
final readonly class Garden
{
    /** As the schema has it, characters. */
    private const ID_LENGTH = 120;

    /**
     * @param  stdClass  $document  the file as it was read, unknown keys and all
     * @param  list<Tub>  $tubs
     * @param  list<float>|null  $saws  the grower's hole saws, mm; null when never said
     * @param  array<string, object>  $wishes  what each mark read of the document, by the mark's key
     */
    public function __construct(
        public stdClass $document,
        public string $name,
        public UnitSystem $units,
        public Site $site,
        public array $tubs,
        public ?array $saws,
        private array $wishes,
    ) {
    }

    public function tub(string $id): ?Tub
    {
        foreach ($this->tubs as $tub) {
            if ($tub->id === $id) {
                return $tub;
            }
        }

        return null;
    }

    /** An id that no tub of it has: a word, with a number where that is taken. */
    public function freeTubId(string $stem): string
    {
        $id = $stem;
        for ($n = 2; $this->tub($id) !== null; $n++) {
            $id = mb_substr($stem, 0, self::ID_LENGTH - strlen("-$n"))."-$n";
        }

        return $id;
    }

    /**
     * What a mark read of the document.
     *
     * @template T of object
     *
     * @param  class-string<T>  $class
     * @return T
     */
    public function of(string $class): object
    {
        foreach ($this->wishes as $wish) {
            if ($wish instanceof $class) {
                return $wish;
            }
        }

        throw new LogicException("No mark has read a $class.");
    }

    /** What one mark read of the document, whatever it is. */
    public function wishOf(Mark $mark): ?object
    {
        return $this->wishes[$mark->key()] ?? null;
    }

    /** Whether another garden has the same site, units and saws: what every tub is planned by. */
    public function standsOnTheSame(self $other): bool
    {
        return $this->units === $other->units
            && $this->saws === $other->saws
            && ($this->document->site ?? null) === ($other->document->site ?? null);
    }
}
