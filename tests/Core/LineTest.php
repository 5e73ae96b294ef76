<?php

declare(strict_types=1);

use KelpTub\Core\Log\LineContext;
use KelpTub\Core\Log\LineReader;
use KelpTub\Core\Log\ReadLine;
use KelpTub\Core\Numbers\Dates;
use KelpTub\Core\Units\UnitSystem;

// Lines as people write them at the tub, on Sunday 18 April 2027 at 20:00; last read 252 mm high, the line at 260.

function lineRead(string $line, UnitSystem $units = UnitSystem::Metric, ?int $ppm = null, ?float $jug = null): ReadLine
{
    return LineReader::read($line, new LineContext($units, Dates::number('2027-04-18'), 20 * 60, $ppm, $jug, 252.0, 260.0, ['A', 'B']));
}

/** What it understood, without the moment where that is now; numbers to a thousandth. */
function lineSays(ReadLine $read): array
{
    $entry = $read->entry;
    if ($entry['at'] === '2027-04-18T20:00') {
        unset($entry['at']);
    }
    array_walk_recursive($entry, static function (mixed &$value): void {
        $value = is_float($value) ? round($value, 3) : $value;
    });
    ksort($entry);

    return $entry;
}

it('reads a line as a grower writes it', function (string $line, array $says) {
    $read = lineRead($line);
    ksort($says);

    expect(lineSays($read))->toEqual($says)->and($read->asks)->toBe([])->and($read->left)->toBe('');
})->with([
    [
        'pH 6.3, EC 1.7, 21 °C, down 4 cm, topped up 3 L',
        ['ph' => 6.3, 'ec_ms_cm' => 1.7, 'water_c' => 21.0, 'level_mm' => 212.0, 'top_up_l' => 3.0],
    ],
    ['840 ppm 700', ['ec_ms_cm' => 1.2]],
    ['840 ppm (700)', ['ec_ms_cm' => 1.2]],
    ['600ppm500', ['ec_ms_cm' => 1.2]],
    ['tds 700 ppm (500 scale)', ['ec_ms_cm' => 1.4]],
    ['picked 180 g', ['harvest_g' => 180.0]],
    ['changed the water', ['change' => true]],
    ['roots brown and slimy', ['signs' => ['brown-roots']]],
    ['yesterday evening pH 6.1', ['at' => '2027-04-17T19:00', 'ph' => 6.1]],
    ['pH 6,3 EC 1,7', ['ph' => 6.3, 'ec_ms_cm' => 1.7]],
    ['pH 6,3, EC 1,7', ['ph' => 6.3, 'ec_ms_cm' => 1.7]],
    ['ph6.3', ['ph' => 6.3]],
    ['ph: 5.9 ec: 1.45 temp 19.5', ['ph' => 5.9, 'ec_ms_cm' => 1.45, 'water_c' => 19.5]],
    ['ph=6 ec=1.2', ['ph' => 6.0, 'ec_ms_cm' => 1.2]],
    ['PH IS 6.2', ['ph' => 6.2]],
    ['pH was 6.2', ['ph' => 6.2]],
    ['pH reads 5.95', ['ph' => 5.95]],
    ['6.1 pH', ['ph' => 6.1]],
    ['pH about 6', ['ph' => 6.0]],
    ['pH ~6.4', ['ph' => 6.4]],
    ['EC 1700 µS', ['ec_ms_cm' => 1.7]],
    ['1450 µS/cm', ['ec_ms_cm' => 1.45]],
    ['1.6 mS', ['ec_ms_cm' => 1.6]],
    ['1.6 mS/cm', ['ec_ms_cm' => 1.6]],
    ['ec 1.7 mS/cm and ph 5.8', ['ec_ms_cm' => 1.7, 'ph' => 5.8]],
    ['EC 1.6 pH 6.1 19C', ['ec_ms_cm' => 1.6, 'ph' => 6.1, 'water_c' => 19.0]],
    ['conductivity 1.3', ['ec_ms_cm' => 1.3]],
    ['level 212 mm', ['level_mm' => 212.0]],
    ['level 21 cm', ['level_mm' => 210.0]],
    ['level is 21.5cm', ['level_mm' => 215.0]],
    ['stick 18 cm', ['level_mm' => 180.0]],
    ['water level 8 in', ['level_mm' => 203.2]],
    ['water at 18 cm', ['level_mm' => 180.0]],
    ['212 mm', ['level_mm' => 212.0]],
    ['21 cm deep', ['level_mm' => 210.0]],
    ['8 3/8 in', ['level_mm' => 212.725]],
    ['8-3/8"', ['level_mm' => 212.725]],
    ['7½ inches', ['level_mm' => 190.5]],
    ['water down 2 1/2 in', ['level_mm' => 188.5]],
    ['down 4 cm', ['level_mm' => 212.0]],
    ['dropped by 3 cm', ['level_mm' => 222.0]],
    ['fell 3 cm', ['level_mm' => 222.0]],
    ['3 cm down', ['level_mm' => 222.0]],
    ['level has dropped 15 mm', ['level_mm' => 237.0]],
    ['up 1 cm', ['level_mm' => 262.0]],
    ['2 cm below the line', ['level_mm' => 240.0]],
    ['15 mm under the water line', ['level_mm' => 245.0]],
    ['topped up 3 L', ['top_up_l' => 3.0]],
    ['topped up 3 litres with EC 0.6', ['top_up_l' => 3.0, 'top_up_ec' => 0.6]],
    ['topped up 2,5 l at 0,8 mS', ['top_up_l' => 2.5, 'top_up_ec' => 0.8]],
    ['top up 3 L', ['top_up_l' => 3.0]],
    ['topped it up with 2 L', ['top_up_l' => 2.0]],
    ['top-up 1.5 l', ['top_up_l' => 1.5]],
    ['added 2 L water', ['top_up_l' => 2.0]],
    ['+3 L', ['top_up_l' => 3.0]],
    ['+ 500 ml', ['top_up_l' => 0.5]],
    ['added half a litre', ['top_up_l' => 0.5]],
    ['added a litre', ['top_up_l' => 1.0]],
    ['poured in 500 ml', ['top_up_l' => 0.5]],
    ['filled up with 2 L', ['top_up_l' => 2.0]],
    ['refilled 1.2 litres', ['top_up_l' => 1.2]],
    ['topped up about 3 L', ['top_up_l' => 3.0]],
    ['3 L added', ['top_up_l' => 3.0]],
    ['gave it 2 L', ['top_up_l' => 2.0]],
    ['topped up one and a half litres', ['top_up_l' => 1.5]],
    ['topped up 1 gal', ['top_up_l' => 3.785]],
    ['topped up 2 quarts', ['top_up_l' => 1.893]],
    ['topped up two litres', ['top_up_l' => 2.0]],
    ['21 degrees', ['water_c' => 21.0]],
    ['water 21°C', ['water_c' => 21.0]],
    ['water temp 19.5', ['water_c' => 19.5]],
    ['temperature 70 F', ['water_c' => 21.111]],
    ['21 deg C', ['water_c' => 21.0]],
    ['water changed', ['change' => true]],
    ['changed all of the water', ['change' => true]],
    ['drained and refilled', ['change' => true]],
    ['full water change', ['change' => true]],
    ['exchanged the nutrient solution', ['change' => true]],
    ['changed the water, now EC 1.2', ['change' => true, 'top_up_ec' => 1.2]],
    ['new water, EC 1.3', ['change' => true, 'top_up_ec' => 1.3]],
    ['changed the water, EC was 2.3', ['change' => true, 'ec_ms_cm' => 2.3]],
    ['EC 2.3, changed water', ['ec_ms_cm' => 2.3, 'change' => true]],
    ['picked 3 heads', ['picked' => 3]],
    ['cut 2 lettuces', ['picked' => 2]],
    ['harvested 6 oz', ['harvest_g' => 170.097]],
    ['harvested 1.2 kg', ['harvest_g' => 1200.0]],
    ['picked 40 g of leaves', ['harvest_g' => 40.0]],
    ['180 g picked', ['harvest_g' => 180.0]],
    ['I picked 120 g of mizuna this morning', ['at' => '2027-04-18T08:00', 'harvest_g' => 120.0]],
    ['added 2 mL pH down', ['dose' => ['ph-down' => ['ml' => 2.0]]]],
    ['pH down 2 ml', ['dose' => ['ph-down' => ['ml' => 2.0]]]],
    ['3 drops of pH up', ['dose' => ['ph-up' => ['ml' => 0.15]]]],
    ['2 mL A and 2 mL B', ['dose' => ['A' => ['ml' => 2.0], 'B' => ['ml' => 2.0]]]],
    ['topped up 3 L, 6 g A, 4 g B', ['top_up_l' => 3.0, 'dose' => ['A' => ['g' => 6.0], 'B' => ['g' => 4.0]]]],
    ['5 ml each of A and B', ['dose' => ['A' => ['ml' => 5.0], 'B' => ['ml' => 5.0]]]],
    ['pH 5.8 after adding 1 ml pH down', ['ph' => 5.8, 'dose' => ['ph-down' => ['ml' => 1.0]]]],
    ['no bubbles', ['signs' => ['no-bubbles']]],
    ['bubbles weak', ['signs' => ['weak-bubbles']]],
    ['seeds not up yet', ['signs' => ['not-up']]],
    ['nothing up', ['signs' => ['not-up']]],
    ['green water', ['signs' => ['green-film']]],
    ['algae on the wall', ['signs' => ['green-film']]],
    ['leaves drooping', ['signs' => ['wilting']]],
    ['new leaves yellow', ['signs' => ['pale-new-leaves']]],
    ['older leaves pale', ['signs' => ['pale-old-leaves']]],
    ['burnt tips', ['signs' => ['burnt-tips']]],
    ['brown edges', ['signs' => ['burnt-tips']]],
    ['salt crust on the pebbles', ['signs' => ['white-crust']]],
    ['plug dry', ['signs' => ['dry-plug']]],
    ['plant leaning', ['signs' => ['leaning']]],
    ['gnats on the water', ['signs' => ['insects']]],
    ['smells foul', ['signs' => ['smell']]],
    ['seedlings leggy', ['signs' => ['leggy']]],
    ['purple stems', ['signs' => ['purple-stems']]],
    ['cleaned the stone', ['did' => ['clean-stone']]],
    ['trimmed the roots', ['did' => ['trim-roots']]],
    ['thinned to one', ['did' => ['thin']]],
    ['wiped the walls and topped up 1.5 L', ['did' => ['wipe'], 'top_up_l' => 1.5]],
    ['this morning pH 6.0, EC 1.4', ['at' => '2027-04-18T08:00', 'ph' => 6.0, 'ec_ms_cm' => 1.4]],
    ['at 7:40 pH 6.0', ['at' => '2027-04-18T07:40', 'ph' => 6.0]],
    ['7:40 am, pH 6.0', ['at' => '2027-04-18T07:40', 'ph' => 6.0]],
    ['at 3 pm level 20 cm', ['at' => '2027-04-18T15:00', 'level_mm' => 200.0]],
    ['2 days ago topped up 4 L', ['at' => '2027-04-16T20:00', 'top_up_l' => 4.0]],
    ['on Monday pH 6.2', ['at' => '2027-04-12T20:00', 'ph' => 6.2]],
    ['2027-04-16 18:30 level 200 mm', ['at' => '2027-04-16T18:30', 'level_mm' => 200.0]],
    ['last night EC 2.1', ['at' => '2027-04-17T22:00', 'ec_ms_cm' => 2.1]],
    ['3 hours ago level 190 mm', ['at' => '2027-04-18T17:00', 'level_mm' => 190.0]],
    ['yesterday topped up 2 L', ['at' => '2027-04-17T20:00', 'top_up_l' => 2.0]],
    ['yesterday at 9:15 pH 6', ['at' => '2027-04-17T09:15', 'ph' => 6.0]],
    ['the day before yesterday changed the water', ['at' => '2027-04-16T20:00', 'change' => true]],
]);

it('reads a line in US units', function (string $line, array $says) {
    ksort($says);

    expect(lineSays(lineRead($line, UnitSystem::Us, 500, 1.0)))->toEqual($says);
})->with([
    ['72 F, 840 ppm', ['water_c' => 22.222, 'ec_ms_cm' => 1.68]],
    ['temp 72', ['water_c' => 22.222]],
    ['level 8 3/8 in', ['level_mm' => 212.725]],
    ['topped up half a gallon', ['top_up_l' => 1.893]],
    ['topped up 12 fl oz', ['top_up_l' => 0.355]],
    ['half a jug', ['top_up_l' => 0.5]],
    ['topped up 2 jugs', ['top_up_l' => 2.0]],
    ['picked half a pound', ['harvest_g' => 226.796]],
    ['1/2 tsp of A', ['dose' => ['A' => ['ml' => 2.464]]]],
    ['pH 6.2 and 840 ppm', ['ph' => 6.2, 'ec_ms_cm' => 1.68]],
]);

it('guesses nothing: what is doubtful stays as the note, or is asked for', function (string $line) {
    $read = lineRead($line);
    $entry = lineSays($read);
    unset($entry['at']);

    expect($entry)->toBe([])->and($read->left)->not->toBe('');
})->with([
    'pH 63', 'EC 230', 'EC 17', 'EC 1700', 'EC 1,700', 'pH 6-6.5', 'pH between 5.5 and 6', 'pH 6.3?', 'pH 6 or 6.5',
    'pH from 6.8 to 5.9', 'pH was 6.8, now 5.9', 'no brown roots', 'roots not brown', 'roots are not slimy', 'did not top up',
    "didn't top up 3 L", 'will change the water tomorrow', 'should top up 3 L', 'need to top up 3 L', 'might be root rot',
    'forgot to change the water', 'if the pH is 7 add pH down', 'level 21', '840 ppm', 'half a jug', 'topped up to the line',
    '3 L', '5.9', 'air 24 °C', 'plants 30 cm tall', 'water 140 °C', 'target EC 1.6', 'pH supposed to be 6', 'picked some',
    'looks good', 'without bubbles yesterday it would wilt',
]);

it('asks for the scale of a meter once, and takes it from then on', function () {
    expect(lineRead('840 ppm')->asks[0]['about'])->toBe('ppm')
        ->and(lineRead('840 ppm', ppm: 700)->entry['ec_ms_cm'])->toEqualWithDelta(1.2, 1e-9)
        ->and(lineRead('tds 840', ppm: 500)->entry['ec_ms_cm'])->toEqualWithDelta(1.68, 1e-9)
        ->and(lineRead('half a jug')->asks[0]['about'])->toBe('jug')
        ->and(lineRead('half a jug', jug: 1.5)->entry['top_up_l'])->toBe(0.75);
});

it('says what a figure that cannot be may have meant', function (string $line, string $question) {
    expect(lineRead($line)->asks[0]['question'])->toContain($question);
})->with([
    ['pH 63', 'did it mean 6.3?'],
    ['EC 1700', '1.7 mS/cm'],
    ['EC 17', 'did it mean 1.7 mS/cm?'],
    ['temp 72', '72 °F'],
    ['level 21', 'millimetres or centimetres'],
    ['topped up to the line', 'How many litres'],
]);

it('takes nothing that is still to come for what was', function () {
    $early = new LineContext(UnitSystem::Metric, Dates::number('2027-04-18'), 9 * 60);
    $read = LineReader::read('this evening pH 6', $early);

    expect($read->asks[0]['about'])->toBe('at')->and($read->entry['at'])->toBe('2027-04-18T09:00');
});

it('keeps the words of what it did not understand beside what it did', function () {
    $read = lineRead('pH 6.2, the new leaves look curly, EC 1.4');

    expect($read->entry)->toHaveKeys(['ph', 'ec_ms_cm'])->and($read->left)->toBe('the new leaves look curly');
});

it('reads parts of a litre and of a jug', function (string $amount, float $litres) {
    expect(lineSays(lineRead("topped up $amount L"))['top_up_l'])->toEqualWithDelta($litres, 5e-4);
})->with([
    ['½', 1 / 2], ['⅓', 1 / 3], ['⅔', 2 / 3], ['¼', 1 / 4], ['¾', 3 / 4], ['⅛', 1 / 8],
    ['⅜', 3 / 8], ['⅝', 5 / 8], ['⅞', 7 / 8], ['1½', 1.5],
]);

it('reads when it was, by the part of the day', function (string $when, string $at) {
    expect(lineSays(lineRead("$when pH 6.1"))['at'] ?? '2027-04-18T20:00')->toBe($at);
})->with([
    ['this morning', '2027-04-18T08:00'], ['at noon', '2027-04-18T12:00'], ['at lunch', '2027-04-18T12:00'],
    ['at midday', '2027-04-18T12:00'], ['this afternoon', '2027-04-18T15:00'], ['yesterday evening', '2027-04-17T19:00'],
    ['last night', '2027-04-17T22:00'], ['3 days ago', '2027-04-15T20:00'], ['two days ago', '2027-04-16T20:00'],
]);

it('takes water from two below freezing to sixty degrees, and asks of what may be Fahrenheit', function (string $line, ?float $celsius) {
    $read = lineRead($line);
    expect($read->entry['water_c'] ?? null)->toEqual($celsius);
})->with([
    ['temp -2', -2.0], ['temp -2.1', null], ['temp 60', 60.0], ['temp 60.5', null], ['temp 70', null],
    ['temp 130', null], ['temp 21', 21.0],
]);
