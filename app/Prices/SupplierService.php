<?php

declare(strict_types=1);

namespace App\Prices;

use Illuminate\Http\Client\Factory;
use stdClass;
use Throwable;

/**
 * Prices of a supplier, over HTTP. One that is slow, down or talks nonsense changes nothing: what is known stays, and it is said why.
 */
final readonly class SupplierService
{
    private const SECONDS = 3;

    private const MOST_ITEMS = 2000;

    private const MOST_BYTES = 1_000_000;

    public function __construct(private Factory $http, private string $address)
    {
    }

    /** @return stdClass|string its terms and items, or why there are none */
    public function prices(string $currency): stdClass|string
    {
        try {
            $answer = $this->http->connectTimeout(1)->timeout(self::SECONDS)->acceptJson()->get($this->address);
        } catch (Throwable) {
            return 'The supplier does not answer. The prices that you have stay as they are.';
        }
        $said = $answer->successful() && strlen($answer->body()) <= self::MOST_BYTES ? json_decode($answer->body()) : null;
        if (! $said instanceof stdClass || ! self::makesSense($said)) {
            return 'The supplier answers in a way that makes no sense. The prices that you have stay as they are.';
        }

        return $said->currency === $currency
            ? $said
            : "The supplier counts in $said->currency, and this garden in $currency. Nothing was taken.";
    }

    private static function makesSense(stdClass $said): bool
    {
        $supplier = $said->supplier ?? null;
        $items = $said->items ?? null;
        $sum = static fn (mixed $value): bool => (is_int($value) || is_float($value)) && $value >= 0 && $value <= 1.0e6;
        $name = $supplier instanceof stdClass ? ($supplier->name ?? null) : null;
        if (! is_string($name) || $name === '' || mb_strlen($name) > 120
            || ! $sum($supplier->delivery ?? 0) || ! $sum($supplier->free_over ?? 0) || ! $sum($supplier->min_order ?? 0)
            || ! is_string($said->currency ?? null) || ! is_array($items) || $items === [] || count($items) > self::MOST_ITEMS) {
            return false;
        }
        foreach ($items as $item) {
            if (! $item instanceof stdClass || ! is_string($item->part ?? null) || preg_match(
                '/^[a-z0-9][a-z0-9:-]{0,79}$/',
                $item->part,
            ) !== 1
                || ! $sum($item->price ?? null) || ! $sum($item->pack ?? null) || $item->pack <= 0 || ! is_int($item->stock ?? 0)) {
                return false;
            }
        }

        return true;
    }
}
