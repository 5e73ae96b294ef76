<?php

declare(strict_types=1);

namespace App\Logs;

use App\Models\LogEntry;
use KelpTub\Core\Marks\Days\EntriesOfFile;

/** How many entries a garden and each of its tubs have, and whether there is room for one more. */
final class EntryRoom
{
    private int $all;

    /** @var array<string, int> */
    private array $of = [];

    public function __construct(private readonly string $garden)
    {
        $this->all = LogEntry::query()->where('garden_id', $garden)->count();
    }

    /** Takes one; what to say where there is no room. */
    public function take(string $tub, int $copy): ?string
    {
        $this->of["$tub $copy"] ??= LogEntry::query()->where('garden_id', $this->garden)->where('tub', $tub)->where('copy', $copy)->count();
        if ($this->all >= EntriesOfFile::MOST) {
            return sprintf('this garden has %d entries; that is the most', EntriesOfFile::MOST);
        }
        if ($this->of["$tub $copy"] >= EntriesOfFile::MOST_OF_TUB) {
            return sprintf('this tub has %d entries; that is the most', EntriesOfFile::MOST_OF_TUB);
        }
        $this->all++;
        $this->of["$tub $copy"]++;

        return null;
    }
}
