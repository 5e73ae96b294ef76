<?php

declare(strict_types=1);

namespace App\Http\Controllers\Api;

use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use KelpTub\Core\Units\Dimension;
use KelpTub\Core\Units\QuantityReader;
use KelpTub\Core\Units\UnitSystem;
use KelpTub\Core\Units\UnreadableQuantity;

/** Reads a batch of measures that growers typed: each is understood, or refused with what would do. */
final readonly class ReadController
{
    private const MOST_TEXTS = 200;

    public function __invoke(Request $request): JsonResponse
    {
        $request->validate([
            'units' => ['required', Rule::enum(UnitSystem::class)],
            'texts' => ['required', 'array', 'max:'.self::MOST_TEXTS],
            'texts.*.text' => ['present', 'nullable', 'string', 'max:200'],
            'texts.*.dimension' => ['required', Rule::enum(Dimension::class)],
        ]);
        $system = UnitSystem::from($request->string('units')->value());

        return new JsonResponse(['readings' => array_map(
            static fn (array $item): array => self::reading((string) ($item['text'] ?? ''), Dimension::from($item['dimension']), $system),
            array_values((array) $request->input('texts')),
        )]);
    }

    /** @return array{value: float, unit: string, note: string|null}|array{error: string} */
    private static function reading(string $text, Dimension $dimension, UnitSystem $system): array
    {
        try {
            $reading = QuantityReader::read($text, $dimension, $system);
        } catch (UnreadableQuantity $refused) {
            return ['error' => $refused->getMessage()];
        }

        return ['value' => $reading->value, 'unit' => $reading->unit->symbol, 'note' => $reading->unit->note];
    }
}
