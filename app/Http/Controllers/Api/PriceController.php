<?php

declare(strict_types=1);

namespace App\Http\Controllers\Api;

use App\Http\RequestInput;
use App\Prices\PriceTable;
use App\Prices\SupplierService;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use KelpTub\Core\Cost\Purchase;
use KelpTub\Core\File\GardenFile;
use KelpTub\Core\File\Library;
use KelpTub\Core\File\RefusedGarden;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Garden\GardenReader;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Marks\Cost\CostPlan;
use KelpTub\Core\Marks\Cost\MoneyWish;
use stdClass;

/**
 * Prices from elsewhere: a list of the grower's own, or a supplier's. Nothing is stored here: the page shows them, and takes what is
 * wanted.
 */
final readonly class PriceController
{
    public function __construct(private GardenReader $reader, private Planner $planner)
    {
    }

    /** A price list as `{"garden", "text"}`, or a spreadsheet's `{"garden", "rows"}`: its offers, and the rows that will not do. */
    public function read(Request $request): JsonResponse
    {
        $body = GardenFile::decode($request->getContent());
        $garden = $this->garden($body);
        $table = new PriceTable(
            self::names($this->planner->plan($garden)->get(CostPlan::class), $this->planner->aids->library),
            $garden->of(MoneyWish::class)->currency,
        );
        if (is_string($body->text ?? null)) {
            return new JsonResponse($table->ofText($body->text));
        }
        $rows = $body->rows ?? null;
        if (! is_array($rows) || count($rows) > PriceTable::MOST_ROWS + 1) {
            throw RefusedGarden::one('/rows', 'is no table of at most '.PriceTable::MOST_ROWS.' rows');
        }
        $cells = [];
        foreach (array_values($rows) as $i => $row) {
            if (! is_array($row) || count($row) > 100) {
                throw RefusedGarden::one("/rows/$i", 'is no row of at most 100 cells');
            }
            $cells[] = array_map(static fn (mixed $cell): string => is_scalar($cell) ? (string) $cell : '', array_values($row));
        }

        return new JsonResponse($table->ofRows($cells));
    }

    /** The supplier's prices for `{"garden"}`: its terms, and what is new or has changed against the garden's own list. */
    public function refresh(Request $request, SupplierService $service): JsonResponse
    {
        $garden = $this->garden(RequestInput::body($request, []));
        $said = $service->prices($garden->of(MoneyWish::class)->currency);
        if (is_string($said)) {
            return new JsonResponse(['away' => $said, 'supplier' => null, 'changes' => []]);
        }
        $wanted = array_map(
            static fn (Purchase $p): string => $p->need->key,
            $this->planner->plan($garden)->get(CostPlan::class)->purchases,
        );
        $now = [];
        foreach ($garden->document->prices ?? [] as $offer) {
            if (($offer->supplier ?? null) === $said->supplier->name) {
                $now["$offer->part $offer->pack"] = (float) $offer->price;
            }
        }
        $changes = [];
        foreach ($said->items as $item) {
            $before = $now["$item->part $item->pack"] ?? null;
            if (in_array($item->part, $wanted, true) && ($item->stock ?? 1) > 0 && $before !== (float) $item->price) {
                $changes[] = (object) [
                    'part' => $item->part,
                    'pack' => $item->pack,
                    'price' => $item->price,
                    'before' => $before,
                    'stock' => $item->stock ?? null,
                ];
            }
        }

        return new JsonResponse(['away' => null, 'supplier' => $said->supplier, 'changes' => $changes]);
    }

    private function garden(stdClass $body): Garden
    {
        return $this->reader->read(GardenFile::encode(RequestInput::object($body->garden ?? null, '/garden')));
    }

    /** @return array<string, string> what this garden buys, then what the Library knows, by key */
    private static function names(CostPlan $cost, Library $library): array
    {
        $names = [];
        foreach ($cost->purchases as $purchase) {
            $names[$purchase->need->key] = $purchase->need->name;
        }
        $shelves = [$library->vessels, $library->cups, $library->pumps, $library->stones, $library->tubes];
        foreach ($shelves as $shelf) {
            foreach ($shelf->documents() as $key => $item) {
                $names[(string) $key] ??= $item->name ?? (string) $key;
            }
        }

        return $names + $library->partNames;
    }
}
