<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

use KelpTub\Core\File\Library;
use KelpTub\Core\File\PatchMaker;
use stdClass;

/**
 * Changes of which tubs stand on the bench. What refers to a tub follows it: each mark says how its own part does. As JSON Patches, after
 * which a sound garden is sound.
 */
final readonly class BenchEdits
{
    private const NAME_LENGTH = 120;

    private PatchMaker $patch;

    /** @param  list<Mark>  $marks */
    public function __construct(private array $marks, private Garden $garden, Library $library)
    {
        $this->patch = new PatchMaker($garden->document, $library);
    }

    /**
     * Takes a tub away, with all that speaks of it.
     *
     * @return list<stdClass>
     */
    public function remove(Tub $tub): array
    {
        return [
            ...$this->ofMarks(fn (Mark $mark): array => $mark->withoutTub($tub->id, $this->garden, $this->patch)),
            ...$this->patch->remove($tub->pointer()),
        ];
    }

    /**
     * Puts another like it beside a tub, on the same lines; nothing of it is built or planted yet.
     *
     * @return array{string, list<stdClass>} its id, and the patch
     */
    public function copy(Tub $tub): array
    {
        $id = $this->garden->freeTubId($tub->id);
        $copy = (object) [
            ...get_object_vars($this->garden->document->tubs[$tub->index]),
            'id' => $id,
            'name' => mb_substr("$tub->name copy", 0, self::NAME_LENGTH),
        ];

        return [$id, [
            ...$this->patch->put('/tubs/'.($tub->index + 1), $copy),
            ...$this->ofMarks(fn (Mark $mark): array => $mark->withCopy($tub->id, $id, $this->garden, $this->patch)),
        ]];
    }

    /**
     * Sets how many alike a tub stands for; what speaks of copies beyond that goes with them.
     *
     * @return list<stdClass>
     */
    public function count(Tub $tub, int $count): array
    {
        return [
            ...$this->ofMarks(fn (Mark $mark): array => $mark->withCount($tub->id, $count, $this->garden, $this->patch)),
            ...$this->patch->set($tub->pointer('/count'), $count),
        ];
    }

    /**
     * @param  callable(Mark): list<stdClass>  $says
     * @return list<stdClass>
     */
    private function ofMarks(callable $says): array
    {
        return array_merge(...array_map($says, $this->marks));
    }
}
