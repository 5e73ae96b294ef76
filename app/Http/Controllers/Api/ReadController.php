<?php

declare(strict_types=1);

namespace App\Http\Controllers\Api;

use App\Http\RequestInput;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use KelpTub\Core\Feed\LabelReader;
use KelpTub\Core\Units\Dimension;
use KelpTub\Core\Units\MoneyReader;
use KelpTub\Core\Units\QuantityReader;
use KelpTub\Core\Units\UnitSystem;
use KelpTub\Core\Units\UnreadableQuantity;
use KelpTub\Core\Vessel\TapeMeasure;

/** Reads a batch of measures that growers typed: each is understood, or refused with what would do. */
final readonly class ReadController
{
    private const MOST_TEXTS = 200;

    private const MONEY = 'money';

    private const LABEL = 'label';

    public function __invoke(Request $request): JsonResponse
    {
        $body = RequestInput::body($request, [
            'units' => ['bail', 'required', 'string', Rule::enum(UnitSystem::class)],
            'texts' => ['required', 'array', 'max:'.self::MOST_TEXTS],
            'texts.*' => ['array:text,dimension,currency,way,wall_mm,rim_mm,floor_mm'],
            'texts.*.text' => ['present', 'nullable', 'string', 'max:200'],
            'texts.*.dimension' => ['bail', 'required', 'string', Rule::in(self::dimensions())],
            'texts.*.currency' => ['required_if:texts.*.dimension,'.self::MONEY, 'nullable', 'string', 'size:3'],
            'texts.*.way' => ['bail', 'nullable', 'string', Rule::enum(TapeMeasure::class)],
            'texts.*.wall_mm' => ['nullable', 'numeric', 'min:0', 'max:100'],
            'texts.*.rim_mm' => ['nullable', 'numeric', 'min:0', 'max:3000'],
            'texts.*.floor_mm' => ['nullable', 'numeric', 'min:0', 'max:300'],
        ]);
        $system = UnitSystem::from($body->units);

        return new JsonResponse(['readings' => array_map(
            static fn (array $item): array => self::inside(
                $item,
                self::reading($item, $system),
            ),
            array_map(get_object_vars(...), array_values((array) $body->texts)),
        )]);
    }

    /** @return list<string> */
    private static function dimensions(): array
    {
        return [self::MONEY, self::LABEL, ...array_column(Dimension::cases(), 'value')];
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

    /**
     * @param  array<string, mixed>  $item
     * @return array{value: float, unit: string, note: string|null}|array{error: string}
     */
    private static function reading(array $item, UnitSystem $system): array
    {
        $text = (string) ($item['text'] ?? '');
        try {
            if ($item['dimension'] === self::MONEY) {
                return ['value' => MoneyReader::read($text, $item['currency']), 'unit' => $item['currency'], 'note' => null];
            }
            if ($item['dimension'] === self::LABEL) {
                $dose = LabelReader::read($text);

                return [
                    'value' => $dose->perLitre,
                    'unit' => $dose->byVolume ? 'mL/L' : 'g/L',
                    'note' => $dose->note === '' ? null : $dose->note,
                ];
            }
            $reading = QuantityReader::read($text, Dimension::from($item['dimension']), $system);
        } catch (UnreadableQuantity $refused) {
            return ['error' => $refused->getMessage()];
        }

        return ['value' => $reading->value, 'unit' => $reading->unit->symbol, 'note' => $reading->unit->note];
    }
}
