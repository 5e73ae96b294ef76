<?php

declare(strict_types=1);

namespace Tests\Resilience;

use Tests\Operating\Installation;

/** Many requests at the same time. */
final class Many
{
    /**
     * @param  list<array{string, string, string, list<string>}>  $requests  method, path, body, headers
     * @return list<array{int, string, string}> status, body and type of each
     */
    public static function ask(Installation $kelp, array $requests): array
    {
        $many = curl_multi_init();
        $handles = array_map(static function (array $request) use ($many, $kelp): \CurlHandle {
            $curl = curl_init("http://127.0.0.1:$kelp->port$request[1]");
            curl_setopt_array($curl, [
                CURLOPT_RETURNTRANSFER => true, CURLOPT_TIMEOUT => 60, CURLOPT_PROXY => '',
                CURLOPT_CUSTOMREQUEST => $request[0], CURLOPT_NOBODY => $request[0] === 'HEAD',
                CURLOPT_HTTPHEADER => ['Content-Type: application/json', 'Expect:', ...$request[3]],
            ] + (in_array($request[0], ['GET', 'HEAD'], true) ? [] : [CURLOPT_POSTFIELDS => $request[2]]));
            curl_multi_add_handle($many, $curl);

            return $curl;
        }, $requests);
        do {
            curl_multi_exec($many, $running);
            curl_multi_select($many, 0.1);
        } while ($running > 0);

        return array_map(static fn (\CurlHandle $curl): array => [
            (int) curl_getinfo($curl, CURLINFO_RESPONSE_CODE),
            (string) curl_multi_getcontent($curl),
            (string) curl_getinfo($curl, CURLINFO_CONTENT_TYPE),
        ], $handles);
    }
}
