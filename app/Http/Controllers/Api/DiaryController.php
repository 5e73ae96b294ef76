<?php

declare(strict_types=1);

namespace App\Http\Controllers\Api;

use App\Exports\CalendarFile;
use App\Exports\DaysCsv;
use App\Exports\MonthPdf;
use App\Exports\Paper;
use App\Http\GrowersClock;
use App\Http\RequestInput;
use App\Logs\DueDays;
use App\Logs\EntryStore;
use App\Models\Garden;
use Illuminate\Container\Attributes\Give;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use KelpTub\Core\Days\Item;
use KelpTub\Core\Diary\Diary;
use KelpTub\Core\Diary\DiaryReport;
use KelpTub\Core\Diary\Succession;
use KelpTub\Core\Diary\Supply;
use KelpTub\Core\File\GardenFile;
use KelpTub\Core\File\Library;
use KelpTub\Core\File\RefusedGarden;
use KelpTub\Core\Garden\GardenReader;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Garden\Tub;
use KelpTub\Core\Numbers\Dates;
use stdClass;

/** What grows: what is due, how each copy of a tub stands, what its log means, and lines of text read as entries. */
final readonly class DiaryController
{
    /** A season before and after today, where no dates are given. */
    private const BACK_DAYS = 14;

    private const AHEAD_DAYS = 180;

    public function __construct(
        private GardenReader $reader,
        #[Give('planner.forecast')] private Planner $planner,
        private EntryStore $entries,
    ) {
    }

    /**
     * What is to be done from one day to another, and each planted copy with its plantings and its course. Of the garden as it is kept,
     * or as `garden` in a body has it. Without its range, `range=no`, it is there in half the time.
     */
    public function days(Request $request, Garden $garden): Response
    {
        $asked = self::asked($request, [
            'from' => ['date_format:Y-m-d'],
            'to' => ['date_format:Y-m-d'],
            'range' => ['in:yes,no'],
        ]);
        $diary = $this->diary($garden, $asked);
        $today = $diary->today();
        $from = isset($asked->from) ? Dates::number($asked->from) : $today - self::BACK_DAYS;
        $to = isset($asked->to) ? Dates::number($asked->to) : $today + self::AHEAD_DAYS;
        $copies = [];
        foreach ($diary->planted() as [$tub, $copy]) {
            $copies[] = (object) [
                'tub' => $tub->id,
                'copy' => $copy,
                'name' => $tub->name,
                'count' => $tub->count,
                ...(array) DiaryReport::band($diary->copy($tub, $copy), ($asked->range ?? 'yes') === 'yes'),
                'items' => array_map(static fn (Item $i): stdClass => $i->toReport($today), $diary->daysOf($tub, $copy, $from, $to)),
            ];
        }

        return self::json(['today' => Dates::text($today), 'from' => Dates::text($from), 'to' => Dates::text($to), 'copies' => $copies]);
    }

    /** One copy of a tub: how it fared and goes on, its readings, what was learned, what seems amiss, what is due. */
    public function ofCopy(Request $request, Garden $garden): Response
    {
        $asked = self::asked($request, ['tub' => ['required', 'string', 'max:120'], 'copy' => ['integer', 'min:1', 'max:50']]);
        $diary = $this->diary($garden, $asked, $asked->tub, (int) ($asked->copy ?? 1));
        $tub = self::tub($diary, $asked->tub);
        $copy = (int) ($asked->copy ?? 1);
        $today = $diary->today();
        $next = array_values(array_filter(
            $diary->daysOf($tub, $copy, $today - self::BACK_DAYS, $today + self::AHEAD_DAYS),
            static fn (Item $i): bool => $i->done === null,
        ));

        return self::json((array) DiaryReport::of($diary->copy($tub, $copy), array_slice($next, 0, 10)));
    }

    /** A line of text as an entry, to be looked at before it is kept. */
    public function read(Request $request, Garden $garden): Response
    {
        $asked = self::asked($request, [
            'tub' => ['required', 'string', 'max:120'],
            'copy' => ['integer', 'min:1', 'max:50'],
            'text' => ['required', 'string', 'max:2000'],
        ]);
        $copy = (int) ($asked->copy ?? 1);
        $diary = $this->diary($garden, $asked, $asked->tub, $copy);
        $now = GrowersClock::time($asked->now);

        return self::json((array) $diary->read(
            self::tub($diary, $asked->tub),
            $copy,
            $asked->text,
            (int) round(($now - floor($now)) * Dates::MINUTES_A_DAY),
        )->toReport());
    }

    /**
     * Sowings for a steady supply of `crop`: `plants` or `grams` a week, picked from one day to another; of the garden as it is kept, or as
     * `garden` has it.
     */
    public function succession(Request $request, Garden $garden, Library $library): Response
    {
        $asked = self::asked($request, [
            'crop' => ['required', 'string', 'max:120'],
            'plants' => ['required_without:grams', 'nullable', 'numeric', 'min:0.1', 'max:200'],
            'grams' => ['required_without:plants', 'nullable', 'numeric', 'min:1', 'max:100000'],
            'from' => ['required', 'date_format:Y-m-d'],
            'to' => ['required', 'date_format:Y-m-d'],
        ]);
        $diary = $this->diary($garden, $asked);
        $crops = $library->withCrops(get_object_vars($diary->garden()->document->library->crops ?? new stdClass))->crops;
        if (! $crops->has($asked->crop)) {
            throw RefusedGarden::one('/crop', "is \"$asked->crop\", which is no crop of the Library, nor one of this garden");
        }
        $supply = new Supply(
            isset($asked->plants) ? (float) $asked->plants : null,
            isset($asked->grams) ? (float) $asked->grams : null,
            Dates::number($asked->from),
            Dates::number($asked->to),
        );
        if ($supply->to < $supply->from || $supply->to - $supply->from > Supply::MOST_WEEKS * 7) {
            $why = sprintf('is %s; it lies after %s, by at most %d weeks', $asked->to, $asked->from, Supply::MOST_WEEKS);
            throw RefusedGarden::one('/to', $why);
        }

        return self::json((array) Succession::of($diary, $crops->get($asked->crop), $supply)->toReport());
    }

    /** What is due over all gardens, and how their planted tubs stand today. */
    public function due(Request $request, DueDays $due): Response
    {
        $query = RequestInput::query($request, ['now' => ['required', 'string', 'max:20']]);

        return self::json(['gardens' => $due->all(GrowersClock::time($query['now']))]);
    }

    /** All days of a garden as a calendar file or as CSV; or a `month` of them on paper. */
    public function export(Request $request, Garden $garden, string $form): Response
    {
        $asked = self::asked($request, [
            'alarm' => ['in:yes,no'],
            'month' => ['date_format:Y-m'],
            'paper' => ['in:a4,letter'],
        ]);
        $diary = $this->diary($garden, $asked);
        $today = $diary->today();
        if ($form === 'pdf') {
            return self::month($diary, $asked->month ?? substr(Dates::text($today), 0, 7), $asked->paper ?? null);
        }
        $items = $diary->days($today - self::BACK_DAYS, $today + 2 * self::AHEAD_DAYS);
        $name = (Str::slug($garden->name) ?: 'garden')."-days.$form";
        if ($form === 'csv') {
            return self::file(DaysCsv::of($items, $today, $diary->garden()), 'text/csv; charset=utf-8', $name);
        }
        $before = DB::table('calendars')->where('garden_id', $garden->id)->value('document');
        $text = CalendarFile::of(
            $items,
            $garden->name,
            "{$garden->id}.kelp-tub",
            CalendarFile::stamp(GrowersClock::time($asked->now)),
            is_string($before) ? $before : null,
            ($asked->alarm ?? 'no') === 'yes',
        );
        DB::table('calendars')->upsert([['garden_id' => $garden->id, 'document' => $text]], ['garden_id']);

        return self::file($text, 'text/calendar; charset=utf-8', $name);
    }

    private static function month(Diary $diary, string $month, ?string $paper): Response
    {
        $first = Dates::number("$month-01");
        $items = $diary->days($first, $first + 31);
        $paper = Paper::asked($paper, $diary->garden()->units) ?? Paper::A4;
        $name = (Str::slug($diary->garden()->name) ?: 'garden')."-$month.pdf";

        return self::file(MonthPdf::of($items, $diary->garden(), $month, $paper), 'application/pdf', $name);
    }

    private static function file(string $text, string $type, string $name): Response
    {
        return new Response($text, headers: ['Content-Type' => $type, 'Content-Disposition' => "attachment; filename=\"$name\""]);
    }

    /**
     * What is asked, in a body or in the address; always with the grower's clock.
     *
     * @param  array<string, mixed>  $rules
     */
    private static function asked(Request $request, array $rules): stdClass
    {
        $rules = ['now' => ['required', 'string', 'max:20'], ...$rules];

        return $request->isMethod('POST') ? RequestInput::body($request, $rules) : (object) RequestInput::query($request, $rules);
    }

    /** @param  string|null  $tub  whose entries are asked for, where not all are */
    private function diary(Garden $garden, stdClass $asked, ?string $tub = null, ?int $copy = null): Diary
    {
        $document = isset($asked->garden) ? RequestInput::object($asked->garden, '/garden') : null;
        $read = $document === null ? $this->reader->read($garden->document) : $this->reader->fromDocument($document);

        return new Diary(
            $this->planner,
            $read,
            $this->entries->entries($garden, $tub, $copy, $read->document),
            GrowersClock::time($asked->now),
        );
    }

    private static function tub(Diary $diary, string $id): Tub
    {
        return $diary->garden()->tub($id) ?? throw RefusedGarden::one('/tub', "is \"$id\", and no tub of this garden has that id");
    }

    /** @param  array<string, mixed>  $answer */
    private static function json(array $answer): Response
    {
        return new Response(GardenFile::encode((object) $answer), headers: ['Content-Type' => 'application/json']);
    }
}
