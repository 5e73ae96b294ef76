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
use KelpTub\Core\Vessel\TapeMeasure;

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
            'texts.*.way' => ['nullable', Rule::enum(TapeMeasure::class)],
            'texts.*.wall_mm' => ['nullable', 'numeric', 'min:0', 'max:100'],
            'texts.*.rim_mm' => ['nullable', 'numeric', 'min:0', 'max:3000'],
            'texts.*.floor_mm' => ['nullable', 'numeric', 'min:0', 'max:300'],
        ]);
        $system = UnitSystem::from($request->string('units')->value());

        return new JsonResponse(['readings' => array_map(
            static fn (array $item): array => self::inside(
                $item,
                self::reading((string) ($item['text'] ?? ''), Dimension::from($item['dimension']), $system),
            ),
            array_values((array) $request->input('texts')),
        )]);
    }

    /**
     * A length that was taken from outside or from the bench as the inside measure it stands for.
     *
     * @param  array<string, mixed>  $item
     * @param  array{value: float, unit: string, note: string|null}|array{error: string}  $reading
     * @return array{value: float, unit: string, note: string|null}|array{error: string}
     */
    private static function inside(array $item, array $reading): array
    {
        $way = TapeMeasure::tryFrom((string) ($item['way'] ?? ''));
        if ($way === null || ! isset($reading['value'])) {
            return $reading;
        }
        $value = $way->inside(
            $reading['value'],
            (float) ($item['wall_mm'] ?? 0),
            (float) ($item['rim_mm'] ?? 0),
            (float) ($item['floor_mm'] ?? 0),
        );

        return $value < 0.0 || ($value === 0.0 && $way !== TapeMeasure::FromRim && $way !== TapeMeasure::FromBench)
            ? ['error' => 'That leaves nothing inside. Check the measure, and the wall, the rim or the floor it is taken from.']
            : ['value' => $value] + $reading;
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
