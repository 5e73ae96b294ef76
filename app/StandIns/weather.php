<?php

declare(strict_types=1);

// A stand-in for a forecast service: made-up days of a climate, over HTTP as a real one would answer. It knows nothing of any garden.
// GET ?climate=continental&seed=1&start=2027-04-10&days=120

use App\Http\FromHere;
use App\Library\LibraryFiles;
use KelpTub\Core\Season\TypicalWeather;
use KelpTub\Core\Season\WeatherDay;

require dirname(__DIR__, 2).'/vendor/autoload.php';

FromHere::orRefuse();

$refuse = static function (string $why): never {
    http_response_code(400);
    header('Content-Type: application/json');
    echo json_encode(['message' => $why]);
    exit;
};
$climates = (new LibraryFiles(dirname(__DIR__, 2).'/data'))->library()->climates;
$asked = static fn (string $name): string => is_string($_GET[$name] ?? null) ? $_GET[$name] : '';
if (! $climates->has($asked('climate'))) {
    $refuse('climate is one of '.implode(', ', $climates->keys()));
}
if (preg_match('/^(\d{4})-(\d{2})-(\d{2})$/', $asked('start'), $m) !== 1 || ! checkdate((int) $m[2], (int) $m[3], (int) $m[1])) {
    $refuse('start is a date like 2027-04-10');
}
$weather = new TypicalWeather($climates->get($asked('climate')), abs(max(-PHP_INT_MAX, (int) $asked('seed'))), $asked('start'));
$days = array_map($weather->on(...), range(0, max(1, min(1000, (int) $asked('days'))) - 1));
header('Content-Type: application/json');
echo json_encode(['days' => array_map(static fn (WeatherDay $day): array => [
    'air_c' => $day->air,
    'humidity_pct' => $day->humidity,
    'light_h' => $day->lightHours,
    'sun_h' => $day->sunHours,
    'rain_mm' => $day->rain,
], $days)], JSON_PRESERVE_ZERO_FRACTION);
