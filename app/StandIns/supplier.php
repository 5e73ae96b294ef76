<?php

declare(strict_types=1);

// A stand-in for a supplier of generic parts: its terms, prices, packs and stock, over HTTP as a real one would answer. It knows nothing
// of any garden. Its bad days are a word in the address: slow, down, nonsense.
// GET ?since=2027-01-01 for what changed from that day on.

use App\Http\FromHere;

require dirname(__DIR__).'/Http/FromHere.php';
FromHere::orRefuse();

$asked = static fn (string $name): string => is_string($_GET[$name] ?? null) ? $_GET[$name] : '';
match ($asked('day')) {
    'slow' => sleep(8),
    'down' => (static function (): never {
        http_response_code(503);
        exit;
    })(),
    'nonsense' => (static function (): never {
        header('Content-Type: text/html');
        echo '<!doctype html><title>Welcome</title><p>Our shop has moved.';
        exit;
    })(),
    default => null,
};
$since = preg_match('/^\d{4}-\d{2}-\d{2}$/', $asked('since')) === 1 ? $asked('since') : '';
/** @var list<array{part: string, pack: int|float, price: float}> $offers */
$offers = json_decode((string) file_get_contents(dirname(__DIR__, 2).'/data/offers.json'), true, 8, JSON_THROW_ON_ERROR);
$items = [];
foreach ($offers as $i => $offer) {
    // Every fourth part, a little dearer or cheaper than the samples, by its own name: the same on any day.
    if ($i % 4 === 0) {
        $chance = crc32($offer['part'].$offer['pack']) % 1000 / 1000;
        $changed = sprintf('2026-%02d-%02d', 1 + (int) ($chance * 11), 1 + (int) ($chance * 97) % 28);
        if ($changed >= $since) {
            $items[] = [
                'part' => $offer['part'],
                'pack' => $offer['pack'],
                'price' => round($offer['price'] * (0.8 + 0.35 * $chance), 2),
                'stock' => (int) ($chance * 40),
                'changed' => $changed,
            ];
        }
    }
}
header('Content-Type: application/json');
echo json_encode([
    'supplier' => ['name' => 'Towpath Supply', 'delivery' => 4.9, 'free_over' => 60, 'min_order' => 8],
    'currency' => 'EUR',
    'items' => $items,
], JSON_PRESERVE_ZERO_FRACTION);
