<?php

declare(strict_types=1);

namespace App\Runs;

use App\Models\DryRun;
use App\Models\Garden as Kept;
use Illuminate\Container\Attributes\Give;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use InvalidArgumentException;
use KelpTub\Core\DryRun\Decision;
use KelpTub\Core\DryRun\Luck;
use KelpTub\Core\File\Fault;
use KelpTub\Core\File\GardenFile;
use KelpTub\Core\File\RefusedGarden;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Garden\GardenReader;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\WhatIf\LivedSeason;
use stdClass;

/** Keeps seasons that are lived through: what is decided is written down day by day, and all else is played again from it. */
final class RunStore
{
    public const FORMAT = 'kelp-tub.run';

    public const VERSION = 1;

    /** So many are kept. */
    public const MOST = 500;

    /** So many are offered to be held beside one. */
    private const MOST_LIKE = 20;

    private const ATTEMPTS = 5;

    /** @var array{DryRun, Garden, LivedSeason}|null the last that was asked for: what plays it on also tells it */
    private ?array $last = null;

    public function __construct(private readonly GardenReader $reader, #[Give('planner.whole')] private readonly Planner $planner)
    {
    }

    /**
     * @param  stdClass  $document  the garden as it is designed
     * @param  string|null  $from  the id of a garden that is kept, where it is of one
     * @param  list<mixed>  $decisions  of another run, up to its day
     *
     * @throws RefusedGarden
     */
    public function begin(
        stdClass $document,
        ?string $from,
        string $tub,
        int $seed,
        ?string $lesson = null,
        array $decisions = [],
        int $day = 0,
    ): DryRun {
        $design = self::design($document);
        $garden = $this->reader->fromDocument($design);
        $season = $this->season($garden, $tub, $seed);
        $read = self::read($season, $decisions, $day);
        if (DryRun::query()->count() >= self::MOST) {
            throw RefusedGarden::one('', sprintf('there are %d dry runs already; take some away that you need no more', self::MOST));
        }
        $soFar = $season->soFar($read);

        return DryRun::create([
            'garden_id' => $from,
            'tub' => $tub,
            'name' => mb_substr(trim(($garden->document->name ?? '').' · '.($garden->tub($tub)->name ?? $tub), ' ·'), 0, 250),
            'lesson' => $lesson,
            'seed' => $seed,
            'day' => min($day, $soFar->lastDay()),
            'is_over' => $day >= $soFar->lastDay(),
            'revision' => 1,
            'document' => GardenFile::encode($design),
            'decisions' => self::written($decisions),
        ]);
    }

    /** A garden without what stands in it in life: that has nothing to do with a dry run. */
    public static function design(stdClass $document): stdClass
    {
        $design = clone $document;
        unset($design->entries, $design->plantings);

        return $design;
    }

    /**
     * Plays on, or back.
     *
     * @param  int  $revision  that it is decided on; where the run has gone on since, nothing is done
     * @param  list<mixed>  $decisions  all of them, up to the day
     * @param  string|null  $on  a day, a week, to the next thing, or to the end with nothing more done
     * @return bool whether it was done
     *
     * @throws RefusedGarden
     */
    public function play(DryRun $run, int $revision, array $decisions, int $day, ?string $on): bool
    {
        return DB::transaction(function () use ($run, $revision, $decisions, $day, $on): bool {
            $kept = DryRun::query()->lockForUpdate()->findOrFail($run->id);
            $run->setRawAttributes($kept->getAttributes(), true);
            if ($kept->revision !== $revision) {
                return false;
            }
            $season = $this->seasonOf($kept);
            $read = self::read($season, $decisions, $day);
            $soFar = $season->soFar($read);
            [$to, $looks] = $soFar->goOn($day, $on);
            $run->update([
                'revision' => $revision + 1,
                'decisions' => self::written([...$decisions, ...array_map(self::raw(...), $looks)]),
                'day' => $to,
                'is_over' => $on === 'end' || $to >= $soFar->lastDay(),
            ]);

            return true;
        }, self::ATTEMPTS);
    }

    /** @return Collection<int, DryRun> the last played first */
    public function all(): Collection
    {
        return DryRun::query()->latest('updated_at')->latest('id')->limit(self::MOST)
            ->get(['id', 'garden_id', 'tub', 'name', 'lesson', 'seed', 'day', 'is_over', 'updated_at']);
    }

    /** @return Collection<int, DryRun> others of the same tub or lesson that are over, the last first */
    public function like(DryRun $run): Collection
    {
        return DryRun::query()->whereKeyNot($run->id)->where('is_over', true)
            ->where('tub', $run->tub)->where('garden_id', $run->garden_id)->where('lesson', $run->lesson)
            ->latest('updated_at')->latest('id')->limit(self::MOST_LIKE)->get(['id', 'name', 'seed']);
    }

    /** @throws RefusedGarden */
    public function seasonOf(DryRun $run): LivedSeason
    {
        return $this->known($run)[2];
    }

    public function gardenOf(DryRun $run): Garden
    {
        return $this->known($run)[1];
    }

    /** @return array{DryRun, Garden, LivedSeason} its design never changes */
    private function known(DryRun $run): array
    {
        if ($this->last === null || $this->last[0]->id !== $run->id) {
            $garden = $this->reader->read($run->document);
            $this->last = [$run, $garden, $this->season($garden, $run->tub, $run->seed)];
        }

        return $this->last;
    }

    /**
     * @return list<Decision> what was decided
     *
     * @throws RefusedGarden
     */
    public function decisionsOf(DryRun $run, LivedSeason $season): array
    {
        return self::read($season, self::decoded($run), $run->day);
    }

    /** @return list<stdClass> */
    public static function decoded(DryRun $run): array
    {
        return json_decode($run->decisions, false, 16, JSON_THROW_ON_ERROR);
    }

    /** A run as a file: design, seed and decisions. */
    public function file(DryRun $run): string
    {
        return GardenFile::encode((object) [
            'format' => self::FORMAT,
            'version' => self::VERSION,
            'from' => $run->garden_id,
            'tub' => $run->tub,
            'seed' => $run->seed,
            'lesson' => $run->lesson,
            'day' => $run->day,
            'decisions' => self::decoded($run),
            'garden' => GardenFile::decode($run->document),
        ], true);
    }

    /**
     * Takes a file of a run in. Where the garden that it was of is here, it is of that one: in what its design differs by now is told.
     *
     * @throws RefusedGarden
     */
    public function takeIn(string $text): DryRun
    {
        $file = GardenFile::decode($text);
        if (($file->format ?? null) !== self::FORMAT) {
            throw RefusedGarden::one('/format', 'is '.self::said($file->format ?? null).'; a run that was saved says "'.self::FORMAT.'"');
        }
        if (! is_int($file->version ?? null) || $file->version > self::VERSION) {
            throw RefusedGarden::one('/version', 'is '.self::said($file->version ?? null).'; this Kelp Tub reads up to '.self::VERSION);
        }
        if (! ($file->garden ?? null) instanceof stdClass) {
            throw RefusedGarden::one('/garden', 'is not there; a run has the design that it is of');
        }
        if (! is_string($file->tub ?? null)) {
            throw RefusedGarden::one('/tub', 'is '.self::said($file->tub ?? null).'; it is the id of a tub');
        }
        $seed = $file->seed ?? null;
        if (! is_int($seed) || $seed < 0 || $seed > Luck::MOST_SEED) {
            throw RefusedGarden::one('/seed', 'is '.self::said($seed).'; a seed is a whole number from 0 to '.Luck::MOST_SEED);
        }
        $day = $file->day ?? 0;
        if (! is_int($day) || $day < 0) {
            throw RefusedGarden::one('/day', 'is '.self::said($day).'; it is a whole number from 0 on');
        }
        $decisions = $file->decisions ?? [];
        if (! is_array($decisions)) {
            throw RefusedGarden::one('/decisions', 'is '.self::said($decisions).'; it is a list of what was done on which day');
        }

        $from = $file->from ?? null;
        $isHere = is_string($from) && Kept::query()->whereKey($from)->exists();

        return $this->begin($file->garden, $isHere ? $from : null, $file->tub, $seed, null, array_values($decisions), $day);
    }

    private function season(Garden $garden, string $tub, int $seed): LivedSeason
    {
        $of = $garden->tub($tub) ?? throw RefusedGarden::one('/tub', "is \"$tub\", and no tub of this garden has that id");
        try {
            return new LivedSeason($this->planner, $garden, $of, $seed);
        } catch (InvalidArgumentException $refused) {
            throw RefusedGarden::one('/tub', $refused->getMessage());
        }
    }

    /**
     * @param  array<mixed>  $decisions
     * @return list<Decision>
     *
     * @throws RefusedGarden where one is none, or of a day that has not come
     */
    private static function read(LivedSeason $season, array $decisions, int $day): array
    {
        $read = $season->decisions($decisions);
        $faults = [];
        foreach ($read as $n => $one) {
            if (is_string($one)) {
                [$where, $what] = explode(': ', $one, 2);
                $faults[] = new Fault("/$where", $what);
            } elseif ($one->day > $day) {
                $faults[] = new Fault("/decisions/$n", "day is {$one->day}, and the run stands at $day");
            }
        }
        if ($faults !== []) {
            throw RefusedGarden::because(array_slice($faults, 0, 20));
        }

        /** @var list<Decision> $read */
        return $read;
    }

    private static function raw(Decision $decision): stdClass
    {
        return (object) ['day' => $decision->day, 'do' => $decision->act->value];
    }

    /** @param  array<mixed>  $decisions */
    private static function written(array $decisions): string
    {
        return json_encode(array_values($decisions), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION);
    }

    private static function said(mixed $value): string
    {
        return mb_substr((string) json_encode($value, JSON_UNESCAPED_UNICODE | JSON_PARTIAL_OUTPUT_ON_ERROR), 0, 40);
    }
}
