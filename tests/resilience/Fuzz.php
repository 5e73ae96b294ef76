<?php

declare(strict_types=1);

namespace Tests\Resilience;

use stdClass;
use Symfony\Component\Process\Process;
use Tests\Operating\Installation;

/** Thousands of requests that nobody means: known addresses and unknown ones, with bodies that are nearly right. */
final class Fuzz
{
    private const REQUESTS = 5000;

    private const AT_ONCE = 8;

    private const SEED = 20261126;

    private const METHODS = ['GET', 'POST', 'PUT', 'DELETE', 'PATCH', 'HEAD', 'OPTIONS', 'TRACE', 'FETCH'];

    /** What stands in addresses for their parts, and after those of the API: each takes what it knows of it. */
    private const PARTS = [
        'garden' => '{id}', 'id' => '{id}', 'revision' => '1', 'kind' => 'cups', 'key' => 'own-cup', 'form' => 'csv', 'tub' => 'foredeck',
        'mark' => 'air',
    ];

    private const QUERIES = [
        '', '?tub=foredeck', '?tub=well-deck&day=20', '?tub=galley-dill&as=pdf&what=all&paper=letter', '?tub=nursery&count=2&copy=1',
        '?tub=foredeck&system=passive&under=bucket-20&mm=100&copy=1&as=svg&what=lid&paper=a4', '?tub=cuttings&as=dxf', '?as=csv', '?as=pdf',
        '?tub=a&count=0', '?of={id}&page=2', '?tub=foredeck&count=3',
    ];

    /** Values that stand where others are due. */
    private const ODD = [
        null, true, false, 0, -1, 1, 1.5, -0.0, 1e308, -1e308, 1e-308, 9007199254740993, '', ' ', '0', 'a', 'null', "\u{202E}",
        "\u{0}", '../../etc', '<b>x', "'; DROP TABLE gardens; --", [], [[]], [null], ['a' => null], [1, 'a', null], '🪣🪣🪣',
    ];

    /** @var list<string> what there is to ask */
    private static array $asked = [];

    /** What would be right, by a part of the address; a garden elsewhere. */
    private const BODIES = [
        '/season/correct' => '{"garden":{demo},"tub":"foredeck","now_ms_cm":2.3,"wanted_ms_cm":1.6,"litres":30}',
        '/season' => '{"garden":{demo},"tub":"foredeck","runs":[{"policy":{"change":"weekly"},"what_ifs":["heat@20x3+8"]}]}',
        '/pumps/curve' => '{"free_flow_l_min":4,"max_pressure_kpa":20}',
        '/prices/read' => '{"garden":{demo},"text":"part;price;supplier\\nnet-cup-50;4,50;Quay stall\\n"}',
        '/prices/refresh' => '{"garden":{demo}}',
        '/read' => '{"units":"us","texts":[{"text":"2 3/8 in","dimension":"length"},{"text":"$5","dimension":"money","currency":"USD"}]}',
        '/import' => '{"csv":"name,diameter_mm\nSaw,50\nSaw two,60"}',
        '/library/cups' => '{"name":"Tin","lip_diameter_mm":70,"top_diameter_mm":63,"bottom_diameter_mm":48,"height_mm":60,"made":"home"}',
        '/library/vessels' => '{"name":"Tin","stations":[{"height_mm":0,"diameter_mm":200},{"height_mm":200,"diameter_mm":220}]}',
        '/cups' => '{"hole_mm":60}',
        '/advice' => '{"vessel":"bucket-20","system":"aerated","crop":"basil"}',
        '/edits/add' => '{"garden":{demo},"tub":{"name":"New","system":"passive","vessel":"jar-1","cup":"net-cup-50","crop":"basil"}}',
        '/everything' => '{"format":"kelp-tub.everything","version":1,"gardens":[{"id":"01m8bnczy9cnevdv4x0sv4btxj","document":{demo}}],'
            .'"library":{"saws":{"own-a":{"name":"A","diameter_mm":50}}}}',
    ];

    /** @return list<string> every address that there is, by what answers it: `POST /api/preview` */
    private static function addresses(): array
    {
        $list = new Process(['php', 'artisan', 'route:list', '--json'], dirname(__DIR__, 2));
        $routes = json_decode($list->mustRun()->getOutput(), true, flags: JSON_THROW_ON_ERROR);
        $addresses = [];
        foreach ($routes as $route) {
            $path = (string) preg_replace_callback(
                '/\{(\w+)\??\}/',
                static fn (array $m): string => self::PARTS[$m[1]] ?? $m[1],
                '/'.ltrim($route['uri'], '/'),
            );
            $addresses[] = explode('|', $route['method'])[0].' '.$path;
        }

        return $addresses;
    }

    /** @return list<string> what was wrong */
    public static function run(callable $say): array
    {
        mt_srand(self::SEED);
        $kelp = new Installation;
        $faults = [];
        $counts = [];
        try {
            $kelp->run('start --detach');
            $demo = (string) file_get_contents(dirname(__DIR__, 2).'/data/demo.kelp.json');
            self::$asked = self::addresses();
            $say(count(self::$asked).' addresses');
            for ($done = 0; $done < self::REQUESTS; $done += self::AT_ONCE) {
                // A garden of the fuzz's own, now and then a new one: the others may have been deleted.
                $id = $done % 400 === 0 ? json_decode($kelp->ask('POST', '/api/gardens', $demo)[1])->id : $id ?? '';
                $requests = array_map(static fn (): array => self::request($demo, $id), range(1, self::AT_ONCE));
                foreach (Many::ask($kelp, $requests) as $n => [$status, $body, $type]) {
                    $counts[$status] = ($counts[$status] ?? 0) + 1;
                    [$method, $path] = $requests[$n];
                    if ($status === 0 || $status >= 500) {
                        $faults[] = "$status: $method $path ".mb_substr($requests[$n][2], 0, 300).' '.mb_substr($body, 0, 200);
                    } elseif ($method !== 'HEAD' && str_starts_with($path, '/api/') && ! self::isDue($path, $status, $type, $body)) {
                        $faults[] = "$status $type: $method $path ".mb_substr($body, 0, 200);
                    }
                }
            }
            ksort($counts);
            $say(array_sum($counts).' requests: '.json_encode($counts));
            if ($kelp->ask('GET', '/up')[0] !== 200) {
                $faults[] = 'it is not well after all that';
            }
            $log = (string) @file_get_contents("$kelp->data/storage/logs/kelp-tub-".gmdate('Y-m-d').'.log');
            if (str_contains($log, 'Marsh Lantern')) {
                $faults[] = 'a document is in the log';
            }
        } finally {
            $kelp->remove();
        }

        return $faults;
    }

    private static function isDue(string $path, int $status, string $type, string $body): bool
    {
        $isExport = preg_match('#^/api/(parts|template|build/print)#', $path) === 1;
        $file = $status !== 200 ? null : match (true) {
            str_contains($path, 'file.csv') => 'text/csv',
            ! $isExport => null,
            str_contains($path, '/print') => 'application/pdf',
            str_contains($path, '/parts') => str_contains($path, 'as=pdf') ? 'application/pdf' : 'text/csv',
            str_contains($path, 'as=svg') => 'image/svg+xml',
            str_contains($path, 'as=dxf') => 'image/vnd.dxf',
            default => 'application/pdf',
        };

        return $file !== null
            ? str_starts_with($type, $file)
            : str_starts_with($type, 'application/json') && (json_decode($body) !== null || $body === 'null');
    }

    /** @return array{string, string, string, list<string>} */
    private static function request(string $demo, string $id): array
    {
        [$method, $path] = explode(' ', self::$asked[array_rand(self::$asked)], 2);
        $path .= $method === 'POST' ? self::QUERIES[array_rand(self::QUERIES)] : '';
        $method = mt_rand(0, 9) === 0 ? self::METHODS[array_rand(self::METHODS)] : $method;
        $path = str_replace('{id}', mt_rand(0, 9) === 0 ? '01%00' : $id, $path);
        if (mt_rand(0, 5) === 0) {
            $path .= (str_contains($path, '?') ? '&' : '?').[
                'tub[]=a',
                'page=x',
                'page[]=1',
                'tub=%ff',
                'mm=1e400',
                'system[]=a',
                'of[a]=b',
                '_method=PUT',
            ][mt_rand(0, 7)];
        }
        $headers = [];
        if (mt_rand(0, 2) > 0) {
            $headers[] = 'If-Match: '.['"1"', '1', '"2"', '*', 'x', ''][mt_rand(0, 5)];
        }
        if (mt_rand(0, 3) === 0) {
            $headers[] = 'Idempotency-Key: '.['abcdefgh', 'x', 'write-'.mt_rand(1, 40).'-aaaaaa', str_repeat('k', 65)][mt_rand(0, 3)];
        }
        if (mt_rand(0, 9) === 0) {
            $headers[] = [
                'Follows-Writes: a b',
                'Follows-Writes: abcdefgh',
                'Origin: https://elsewhere.example',
                'X-HTTP-Method-Override: DELETE',
                'X-Inertia: true',
                'Accept: text/html',
            ][mt_rand(0, 5)];
        }

        return [$method, $path, self::body($path, $demo), $headers];
    }

    private static function body(string $path, string $demo): string
    {
        $body = mt_rand(0, 14) === 0 ? '' : $demo;
        foreach (self::BODIES as $part => $fit) {
            if ($body !== '' && str_contains($path, $part)) {
                $body = str_replace('{demo}', $demo, $fit);
                break;
            }
        }
        $document = json_decode($body);
        for ($changes = mt_rand(0, 3); $changes > 0 && $document instanceof stdClass; $changes--) {
            self::spoil($document);
        }
        $body = $document instanceof stdClass ? (string) json_encode(
            $document,
            JSON_PARTIAL_OUTPUT_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION,
        ) : $body;

        return match (mt_rand(0, 24)) {
            0 => substr($body, 0, mt_rand(0, strlen($body))),
            1 => str_replace(':1', ':1e400', $body),
            2 => "\xEF\xBB\xBF$body",
            3 => preg_replace('/"([a-z])/', "\"\xC3\x28$1", $body, 1) ?? $body,
            4 => str_repeat('[', mt_rand(1, 1000)).$body,
            default => $body,
        };
    }

    /** Changes one thing somewhere in a document: another value, gone, doubled, or a member that nobody knows. */
    private static function spoil(stdClass|array &$in, int $depth = 0): void
    {
        $keys = is_array($in) ? array_keys($in) : array_keys(get_object_vars($in));
        if ($keys === []) {
            return;
        }
        $key = $keys[array_rand($keys)];
        $value = is_array($in) ? $in[$key] : $in->{$key};
        if ((is_array($value) || $value instanceof stdClass) && $depth < 6 && mt_rand(0, 3) > 0) {
            self::spoil($value, $depth + 1);
        } else {
            $value = match (mt_rand(0, 5)) {
                0 => is_int($value) || is_float($value) ? $value * [0, -1, 1e6, 0.001, 2][mt_rand(0, 4)] : [$value],
                1 => is_array($value) ? [...$value, ...$value] : (string) json_encode($value),
                default => self::ODD[array_rand(self::ODD)],
            };
        }
        if (is_array($in)) {
            $in[$key] = $value;
        } elseif (mt_rand(0, 7) === 0 && ! is_array($value)) {
            unset($in->{$key});
        } else {
            $in->{$key} = $value;
        }
    }
}
