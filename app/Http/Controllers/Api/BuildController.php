<?php

declare(strict_types=1);

namespace App\Http\Controllers\Api;

use App\Exports\BuildPdf;
use App\Exports\FileNames;
use App\Exports\Paper;
use App\Exports\PartsCsv;
use App\Exports\PartsTable;
use App\Exports\TemplateFile;
use App\Exports\TooManySheets;
use App\Http\RequestInput;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\Rule;
use KelpTub\Core\File\RefusedGarden;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Garden\GardenReader;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Garden\Tub;
use KelpTub\Core\Marks\Build\BuildReport;
use KelpTub\Core\Marks\Build\Templates;
use KelpTub\Core\Marks\Feed\FeedPlans;

/** How a tub is built: its sheet, its templates at 1 : 1, and the lists that go to the shop and to the bench. */
final readonly class BuildController
{
    private const TYPES = [
        'pdf' => 'application/pdf',
        'svg' => 'image/svg+xml',
        'dxf' => 'image/vnd.dxf',
        'csv' => 'text/csv; charset=utf-8',
    ];

    public function __construct(private GardenReader $reader, private Planner $planner)
    {
    }

    /** The garden in the body; `?tub=` and `&copy=`. */
    public function sheet(Request $request): JsonResponse
    {
        [$garden, $tub, $copy] = $this->asked($request);

        return new JsonResponse(BuildReport::of($this->planner->plan($garden), $tub, $copy));
    }

    /** The same to print; `&paper=`. */
    public function print(Request $request): Response
    {
        [$garden, $tub, $copy] = $this->asked($request);
        $paper = self::paper($request, $garden);
        $plan = $this->planner->plan($garden);
        $drawn = array_column($this->planner->written($plan, [])->tubs, null, 'id')[$tub->id];

        return self::file(
            BuildPdf::sheet(BuildReport::of($plan, $tub, $copy), $drawn, $garden, $paper),
            [$tub->name, 'build', $paper->value],
            'pdf',
        );
    }

    /** The garden in the body; `?tub=`, `&what=`, `&as=` and `&paper=`. */
    public function template(Request $request): Response
    {
        [$garden, $tub] = $this->asked($request);
        $asked = RequestInput::query($request, [
            'as' => ['bail', 'required', 'string', Rule::in(['pdf', 'svg', 'dxf'])],
            'what' => ['nullable', 'string', 'max:20'],
        ]);
        $sheets = (new Templates($this->planner->plan($garden)->get(FeedPlans::class)->of($tub->id), $garden))->all();
        $what = (string) ($asked['what'] ?? '') ?: (string) array_key_first($sheets);
        if ($what !== 'all' && ! isset($sheets[$what])) {
            throw RefusedGarden::one('/what', "is \"$what\"; $tub->name has ".implode(', ', array_keys($sheets)).' and all');
        }
        $paper = self::paper($request, $garden);
        try {
            $file = (string) TemplateFile::of($sheets, $what, $asked['as'], $paper);
        } catch (TooManySheets $refused) {
            throw RefusedGarden::one('/paper', $refused->getMessage());
        }

        return self::file($file, [$tub->name, $what, ...($asked['as'] === 'pdf' ? [$paper->value] : [])], $asked['as']);
    }

    /** The garden in the body; `?as=csv`, `?as=rows` for a spreadsheet that the page writes, or `?as=pdf` and `&paper=`. */
    public function parts(Request $request): Response|JsonResponse
    {
        $garden = $this->reader->read($request->getContent());
        $as = RequestInput::query($request, ['as' => ['bail', 'required', 'string', Rule::in(['csv', 'pdf', 'rows'])]])['as'];
        $report = $this->planner->written($this->planner->plan($garden), []);

        return match ($as) {
            'csv' => self::file(PartsCsv::of($report), [$garden->name, 'parts'], 'csv'),
            'rows' => new JsonResponse(['rows' => PartsTable::of($report)]),
            default => self::file(
                BuildPdf::parts($report, $garden->name, self::paper($request, $garden)),
                [$garden->name, 'parts'],
                'pdf',
            ),
        };
    }

    /** @return array{Garden, Tub, int} */
    private function asked(Request $request): array
    {
        $garden = $this->reader->read($request->getContent());
        $id = RequestInput::word($request, 'tub');
        $tub = $garden->tub($id) ?? throw RefusedGarden::one('/tub', "is \"$id\", and no tub of this garden has that id");
        $copy = (int) (RequestInput::word($request, 'copy') ?: 1);
        if ($copy < 1 || $copy > $tub->count) {
            throw RefusedGarden::one('/copy', "is $copy, and there are $tub->count of $tub->name");
        }

        return [$garden, $tub, $copy];
    }

    private static function paper(Request $request, Garden $garden): Paper
    {
        $name = RequestInput::word($request, 'paper');

        return Paper::asked($name === '' ? null : $name, $garden->units)
            ?? throw RefusedGarden::one('/paper', "is \"$name\"; there are a4 and letter");
    }

    /** @param  list<string>  $name */
    private static function file(string $content, array $name, string $ending): Response
    {
        return new Response($content, 200, [
            'Content-Type' => self::TYPES[$ending],
            'Content-Disposition' => 'attachment; filename="'.FileNames::of($name, $ending).'"',
        ]);
    }
}
