<?php

declare(strict_types=1);

namespace Tests\Resilience;

use Symfony\Component\Process\Process;
use Tests\Operating\Installation;

/** Logs under bad treatment: many who write into one at a time, and servers that are killed between their entries. */
final class Logs
{
    private const WRITERS = 50;

    private const EACH = 20;

    private const KILLS = 10;

    private const GARDEN = '{"format":"kelp-tub.garden","version":1,"name":"Log","tubs":'
        .'[{"id":"a","system":"passive","vessel":"bucket-20","crop":"basil"}]}';

    /** @return list<string> */
    public static function run(callable $say): array
    {
        mt_srand(11);
        $kelp = new Installation;
        try {
            $kelp->run('start --detach');
            $id = json_decode($kelp->ask('POST', '/api/gardens', self::GARDEN)[1])->id;

            return [...self::writers($kelp, $id, $say), ...self::kills($kelp, $id, $say)];
        } finally {
            $kelp->remove();
        }
    }

    private static function entry(string $kind, int $number): array
    {
        return ['id' => sprintf('01%s%021d', $kind, $number), 'tub' => 'a', 'at' => '2026-11-20T08:00', 'note' => "$kind $number"];
    }

    /** Fifty at once, each with entries of its own and some that others have too, every batch sent twice. @return list<string> */
    private static function writers(Installation $kelp, string $id, callable $say): array
    {
        $batches = [];
        foreach (range(0, self::WRITERS - 1) as $writer) {
            $own = array_map(static fn (int $n): array => self::entry('WRT', $writer * self::EACH + $n), range(0, self::EACH - 1));
            $batch = ['POST', "/api/gardens/$id/entries", json_encode(['entries' => [...$own, self::entry('SHR', $writer % 5)]]), []];
            array_push($batches, $batch, $batch);
        }
        $answers = Many::ask($kelp, $batches);
        $results = [];
        foreach ($answers as [$status, $answer]) {
            foreach ($status === 200 ? json_decode($answer)->entries : [(object) ['result' => "status $status"]] as $one) {
                $results[$one->result] = ($results[$one->result] ?? 0) + 1;
            }
        }
        $say(self::WRITERS.' writers at once, each batch twice: '.json_encode($results));
        $kept = self::WRITERS * self::EACH + 5;
        $all = self::WRITERS * 2 * (self::EACH + 1);

        return $results == ['kept' => $kept, 'known' => $all - $kept] && count(self::kept($kelp, $id)) === $kept
            ? []
            : ['entries of many writers: '.json_encode($results)];
    }

    /** What was acknowledged is there once, whatever was killed meanwhile; what was not is sent again. @return list<string> */
    private static function kills(Installation $kelp, string $id, callable $say): array
    {
        $acknowledged = $again = [];
        $number = 0;
        for ($round = 0; $round < self::KILLS; $round++) {
            $victims = [['mariadb'], ['php-fpm'], ['start'], ['mariadb', 'php-fpm'], ['start', 'mariadb']][mt_rand(0, 4)];
            $pids = implode(' ', array_map($kelp->pid(...), $victims));
            $killer = Process::fromShellCommandline(sprintf('sleep %.2f; kill -9 %s', mt_rand(10, 90) / 100, $pids));
            $killer->start();
            for ($until = microtime(true) + 1.5; microtime(true) < $until;) {
                $batch = [...array_splice($again, 0), ...array_map(
                    static fn (int $n): array => self::entry('KRR', $n),
                    range($number, $number += mt_rand(1, 9)),
                )];
                $number++;
                [$status, $answer] = $kelp->ask('POST', "/api/gardens/$id/entries", (string) json_encode(['entries' => $batch]));
                foreach ($status === 200 ? json_decode($answer)->entries : [] as $one) {
                    $acknowledged[$one->id] = $one->result;
                }
                $again = $status === 200 ? [] : array_slice($batch, 0, 300);
            }
            $killer->wait();
            if (in_array('start', $victims, true)) {
                $kelp->run('start --detach');
            }
            $kelp->waitUntilUp();
        }
        $there = self::kept($kelp, $id);
        $lost = array_diff(array_keys($acknowledged), $there);
        $say(sprintf('%d rounds of kill -9: %d entries acknowledged, %d lost', self::KILLS, count($acknowledged), count($lost)));

        return [
            ...($lost === [] ? [] : [count($lost).' acknowledged entries are lost']),
            ...(count($there) === count(array_unique($there)) ? [] : ['an entry is there twice']),
            ...(in_array('refused', $acknowledged, true) ? ['an entry was refused'] : []),
            ...(count($acknowledged) > 200 ? [] : ['only '.count($acknowledged).' entries came through']),
        ];
    }

    /** @return list<string> the ids of all entries that are there */
    private static function kept(Installation $kelp, string $id): array
    {
        $ids = [];
        for ($after = 0, $more = true; $more;) {
            $page = json_decode($kelp->ask('GET', "/api/gardens/$id/entries?after=$after")[1]);
            $ids = [...$ids, ...array_column($page->entries, 'id')];
            [$after, $more] = [$page->last, $page->next];
        }

        return $ids;
    }
}
