<?php

declare(strict_types=1);

namespace KelpTub\Core\Build;

/** One step of a build sheet, with this design's numbers. */
final readonly class Step
{
    /**
     * @param  string  $key  `saw`
     * @param  string  $does  what to do, in sentences
     * @param  array<string, string>  $figures  what it is called, and the figure as the grower reads it
     * @param  array<string, string>  $tools  names by part key
     * @param  array<string, string>  $parts  names with their amounts, by part key
     * @param  int  $minutes  an estimate
     * @param  list<Caution>  $cautions
     * @param  string  $drawing  which detail shows it: lid, section, wall, air, cup, jugs, plant
     * @param  string  $highlight  what of that detail it is about
     * @param  float|null  $water  how high water stands in the tub then, mm above its floor; null: at its line
     * @param  bool  $planted  whether something grows in it
     * @param  string  $doneWhen  what to look at before going on
     * @param  string|null  $ifNot  what to look for first where it is not so
     */
    public function __construct(
        public string $key,
        public string $title,
        public string $does,
        public array $figures,
        public array $tools,
        public array $parts,
        public int $minutes,
        public array $cautions,
        public string $drawing,
        public string $highlight,
        public ?float $water,
        public bool $planted,
        public string $doneWhen,
        public ?string $ifNot = null,
    ) {
    }

    /** What tells one state of the step from another: it changes when the design changes what is to be done here. */
    public function print(): string
    {
        return hash('crc32b', json_encode([$this->does, $this->figures, $this->tools, $this->parts], JSON_THROW_ON_ERROR));
    }
}
