<?php

declare(strict_types=1);

use Tests\Operating\Installation;

// The house network: who may come, and where from.

/** An address of this machine that is not its loopback; empty where it has none. */
function ownAddress(): string
{
    preg_match('/\b\d+\.\d+\.\d+\.\d+\b/', (string) shell_exec('hostname -I 2>/dev/null'), $found);

    return $found[0] ?? '';
}

it('refuses to listen where it cannot, in one line', function (string $listen, string $says) {
    $kelp = new Installation(['KELP_LISTEN' => $listen]);
    try {
        expect($kelp->run('start --detach', 1))->toContain($says)->and(is_dir("$kelp->data/mariadb"))->toBeFalse();
    } finally {
        $kelp->remove();
    }
})->with([
    'an address of elsewhere' => ['198.51.100.7', 'KELP_LISTEN names 198.51.100.7, which this machine does not have'],
    'no address' => ['everywhere; reboot', 'it is "lan", or addresses of this machine with commas between'],
]);

it('asks everybody on the house network who they are, and nobody where it listens on loopback alone', function () {
    $address = ownAddress();
    if ($address === '') {
        // A machine without a network has no house network either.
        expect((new Installation(['KELP_LISTEN' => 'lan']))->run('start --detach', 1))->toContain('no address on a house network');

        return;
    }
    $kelp = new Installation(['KELP_LISTEN' => $address]);
    $status = static fn (string $host, string $path): int => (int) shell_exec(
        "curl -s --noproxy '*' -o /dev/null -w '%{http_code}' ".escapeshellarg("http://$host:$kelp->port$path"),
    );
    try {
        $said = $kelp->run('start --detach');
        preg_match('#'.preg_quote("http://$address:$kelp->port").'/join/(\w{26})#', $said, $link);
        expect($link)->toHaveCount(2)->and($said)->toContain('is not encrypted')
            ->and($status($address, '/sign-in'))->toBe(200)
            ->and($status($address, '/api/gardens'))->toBe(401)
            ->and($status('127.0.0.1', '/api/gardens'))->toBe(401)
            // The stand-ins are this machine's own.
            ->and($status($address, '/stand-ins/weather'))->toBe(403)
            ->and($kelp->run('status'))->toContain("http://$address:$kelp->port");
        $join = json_encode(['code' => $link[1], 'name' => 'Nele', 'password' => 'the heron eats at six']);
        expect($kelp->ask('POST', '/api/join', (string) $join)[0])->toBe(200)
            ->and($kelp->run('people list'))->toContain('Nele, since')
            ->and($kelp->run('people reset Nele'))->toMatch('#/join/\w{26}#')
            ->and($kelp->run('people remove Oke', 1))->toContain('nobody here is called "Oke"')
            ->and($kelp->run('people', 1))->toContain('say what');
        $kelp->run('backup');
        $kelp->run('stop');

        // On loopback again it is as it was, with the gardens of the first; and the backup has the grower.
        $alone = new Installation(data: $kelp->data);
        $alone->run('start --detach');
        expect($alone->gardens())->toBe(['Marsh Lantern'])->and($alone->ask('GET', '/sign-in')[0])->toBe(404);
        $alone->run('stop');
        $backup = (glob("$kelp->data/backups/kelp-tub-*.zip") ?: [''])[0];
        expect($kelp->run('restore --whole '.escapeshellarg($backup)))->toContain('1 gardens are back');
        expect($kelp->run('start --detach'))->not->toContain('/join/');
    } finally {
        $kelp->remove();
    }
});
