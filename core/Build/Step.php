<?php

declare(strict_types=1);

namespace KelpTub\Core\Build;

/** One step of a build sheet, with this design's numbers. */
final readonly class Step
{
    private const PRINT = 's';

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
     * @param  float  $water  how high water stands in the tub then, mm above its floor
     * @param  bool  $planted  whether something grows in it
     * @param  string  $doneWhen  what to look at before going on
     * @param  string|null  $ifNot  what to look for first where it is not so
     * @param  list<string>  $finds  names of figures that the step itself finds out: they settle the design, not the step
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
        public float $water,
        public bool $planted,
        public string $doneWhen,
        public ?string $ifNot = null,
        public array $finds = [],
    ) {
    }

    /**
     * What tells one state of the step from another: it changes when the design changes what is to be done here; not when that is said in
     * other words, and not by what the step itself finds out.
     */
    public function print(): string
    {
        $amounts = static fn (string $words): array => preg_match_all('/\d+(?:\.\d+)?/', $words, $found) > 0 ? $found[0] : [];

        return self::PRINT.hash('crc32b', json_encode([
            $this->finds === [] ? $amounts($this->does) : [],
            array_values(array_diff_key($this->figures, array_flip($this->finds))),
            array_keys($this->tools),
            array_map($amounts, $this->parts),
        ], JSON_THROW_ON_ERROR));
    }

    /** Whether a print was made by a version that took a change of words for a change of the step: it tells nothing any more. */
    public static function isOldPrint(string $print): bool
    {
        return ! str_starts_with($print, self::PRINT);
    }
}
