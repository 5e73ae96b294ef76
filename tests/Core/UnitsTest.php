<?php

declare(strict_types=1);

use KelpTub\Core\Units\Dimension;
use KelpTub\Core\Units\MoneyReader;
use KelpTub\Core\Units\QuantityReader;
use KelpTub\Core\Units\QuantityWriter;
use KelpTub\Core\Units\UnitSystem;
use KelpTub\Core\Units\UnreadableQuantity;

it('reads measures as growers write them', function (string $text, Dimension $dimension, float $value) {
    expect(QuantityReader::read($text, $dimension, UnitSystem::Metric)->value)->toEqualWithDelta($value, 1e-9);
})->with([
    ['2 3/8 in', Dimension::Length, 60.325],
    ['2-3/8"', Dimension::Length, 60.325],
    ['2 - 3/8 inches', Dimension::Length, 60.325],
    ['3/8in', Dimension::Length, 9.525],
    ['2⅜″', Dimension::Length, 60.325],
    ['½ in', Dimension::Length, 12.7],
    ['51mm', Dimension::Length, 51.0],
    ['5.1 cm', Dimension::Length, 51.0],
    ['5,1 cm', Dimension::Length, 51.0],
    ['.5 m', Dimension::Length, 500.0],
    ["1\u{202F}ft", Dimension::Length, 304.8],
    ['-4 mm', Dimension::Length, -4.0],
    ['5 gal', Dimension::Volume, 18.92705892],
    ['5 imperial gal', Dimension::Volume, 22.73045],
    ['1 qt', Dimension::Volume, 0.946352946],
    ['12 fl oz', Dimension::Volume, 12 * 0.0295735295625],
    ['1.5 fl. oz.', Dimension::Volume, 1.5 * 0.0295735295625],
    ['2 pints', Dimension::Volume, 0.946352946],
    ['20 L', Dimension::Volume, 20.0],
    ['750 mL', Dimension::Volume, 0.75],
    ['1/4 tsp', Dimension::Volume, 0.0012322303975],
    ['2 tbsp', Dimension::Volume, 0.02957352954],
    ['1 cup', Dimension::Volume, 0.236588],
    ['1 lb', Dimension::Mass, 453.59237],
    ['1.2 mS/cm', Dimension::Conductivity, 1.2],
    ['840 ppm (700)', Dimension::Conductivity, 1.2],
    ['600 ppm (500)', Dimension::Conductivity, 1.2],
    ['1200 µS/cm', Dimension::Conductivity, 1.2],
    ['72 °F', Dimension::Temperature, 22.0 + 2 / 9],
    ['20 °C', Dimension::Temperature, 20.0],
    ['240 L/h', Dimension::AirFlow, 4.0],
    ['0.2 bar', Dimension::Pressure, 20.0],
]);

it('takes a bare number in the usual unit and says that none was given', function () {
    $metric = QuantityReader::read('54', Dimension::Length, UnitSystem::Metric);
    $us = QuantityReader::read('2 1/8', Dimension::Length, UnitSystem::Us);

    expect($metric->value)->toBe(54.0)
        ->and($metric->unitGiven)->toBeFalse()
        ->and($us->value)->toEqualWithDelta(53.975, 1e-9)
        ->and($us->unit->symbol)->toBe('in');
});

it('takes a bare fraction for inches, a bare number for the garden\'s unit', function (string $text, float $metric, float $us) {
    expect(QuantityReader::read($text, Dimension::Length, UnitSystem::Metric)->value)->toEqualWithDelta($metric, 1e-9)
        ->and(QuantityReader::read($text, Dimension::Length, UnitSystem::Us)->value)->toEqualWithDelta($us, 1e-9);
})->with([
    ['14 3/8', 365.125, 365.125],
    ['2 1/8', 53.975, 53.975],
    ['½', 12.7, 12.7],
    ['3/4', 19.05, 19.05],
    ['14', 14.0, 355.6],
    ['2.5', 2.5, 63.5],
    ['14 3/8 mm', 14.375, 14.375],
]);

it('says which gallon, quart or scale was meant', function () {
    expect(QuantityReader::readAny('5 gal')->unit->note)->toContain('US gallon')
        ->and(QuantityReader::readAny('5 imp gal')->unit->note)->toContain('imperial')
        ->and(QuantityReader::readAny('840 ppm (700)')->unit->note)->toContain('700');
});

it('refuses what cannot be read, quoting it and showing what would do', function (string $text, Dimension $dimension, string $says) {
    expect(fn () => QuantityReader::read($text, $dimension, UnitSystem::Metric))->toThrow(UnreadableQuantity::class, $says);
})->with([
    ['', Dimension::Length, 'Nothing was given'],
    ['big', Dimension::Length, '"big" does not start with a number. Write a measure like 54 mm'],
    ['5 hands', Dimension::Length, 'no unit that is known here ("hands")'],
    ['840 ppm', Dimension::Conductivity, 'ppm (500) or ppm (700)'],
    ['5 gal', Dimension::Length, 'is a volume, and a length is wanted'],
    ['1,000 mm', Dimension::Length, 'a thousand or a decimal'],
    ['1.2.3 mm', Dimension::Length, 'a thousand or a decimal'],
    ['3/0 in', Dimension::Length, 'divides by zero'],
    ['99999999999 mm', Dimension::Length, 'larger than anything'],
    ['<script>alert(1)</script>', Dimension::Length, 'does not start with a number'],
]);

it('needs a unit where the dimension is not known', function () {
    expect(fn () => QuantityReader::readAny('5'))->toThrow(UnreadableQuantity::class, 'has no unit');
});

it('shows inches as fractions to a sixteenth, in lowest terms', function (float $mm, string $shown) {
    expect(str_replace("\u{202F}", ' ', QuantityWriter::inches($mm)))->toBe($shown);
})->with(
    [
        [53.975, '2 1/8 in'],
        [54.0, '2 1/8 in'],
        [25.4, '1 in'],
        [19.05, '3/4 in'],
        [1.5875, '1/16 in'],
        [0.0, '0 in'],
        [-12.7, '-1/2 in'],
        [304.7, '12 in'],
    ],
);

it('shows metric lengths in whole or half millimetres', function () {
    $write = new QuantityWriter(UnitSystem::Metric);

    expect($write->length(53.975))->toBe("54\u{202F}mm")
        ->and($write->length(12.3))->toBe("12.5\u{202F}mm")
        ->and($write->length(-0.1))->toBe("0\u{202F}mm");
});

it('reads back what it writes, to the last digit it shows', function () {
    foreach ([UnitSystem::Metric, UnitSystem::Us] as $system) {
        $write = new QuantityWriter($system);
        for ($mm = 1.0; $mm < 900; $mm += 7.3) {
            expect(QuantityReader::read($write->length($mm), Dimension::Length, $system)->value)->toEqualWithDelta($mm, 0.8);
        }
    }
});

it('agrees with the vectors that the page formats against', function () {
    $vectors = json_decode((string) file_get_contents(dirname(__DIR__).'/vectors/quantities.json'), false, flags: JSON_THROW_ON_ERROR);
    foreach ($vectors as $v) {
        $write = new QuantityWriter(UnitSystem::from($v->system));
        $shown = match ($v->kind) {
            'length' => $write->length((float) $v->value),
            'run' => $write->run((float) $v->value),
            'fine' => $write->fine((float) $v->value),
            'volume' => $write->volume((float) $v->value),
            'mass' => $write->mass((float) $v->value),
            'load' => $write->load((float) $v->value),
            'temperature' => $write->temperature((float) $v->value),
        };
        expect($shown)->toBe($v->shown);
    }
    expect(count($vectors))->toBeGreaterThan(30);
});

it('reads money as it is written', function (string $text, float $sum, string $currency = 'EUR') {
    expect(MoneyReader::read($text, $currency))->toBe($sum);
})->with([
    ['15', 15.0], ['15,50', 15.5], ['15.5', 15.5], ['€15', 15.0], ['€ 15,50', 15.5], ['15.50 EUR', 15.5], ['15 eur', 15.0], ['15€', 15.0],
    ['1,234.50', 1234.5], ['1.234,50', 1234.5], ['1 234,50', 1234.5], ['999.999,99', 999999.99],
    ['0', 0.0], ['0.125', 0.125], ['.5', 0.5], ['$7', 7.0, 'USD'], ['$7', 7.0, 'CAD'], ['£7', 7.0, 'GBP'], ['12345', 12345.0],
]);

it('refuses what is no sum of that money, and says what would do', function (string $text, string $says) {
    expect(fn () => MoneyReader::read($text, 'EUR'))->toThrow(UnreadableQuantity::class, $says);
})->with([
    'nothing' => ['', 'Write one like 15 or 15.50'],
    'words' => ['plenty', '"plenty" is no sum of money'],
    'under nothing' => ['-3', '"-3" is no sum of money'],
    'two signs' => ['€15€', 'no sum of money'],
    'another money' => ['$15', '"$15" is not in EUR'],
    'another code' => ['15 usd', 'Write the sum in EUR'],
    'a thousand or a decimal' => ['1,234', 'could mean a thousand or a decimal'],
    'much too much' => ['1000001', 'larger than anything'],
]);
