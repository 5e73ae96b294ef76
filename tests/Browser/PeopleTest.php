<?php

declare(strict_types=1);

use Tests\Browser\Browser;
use Tests\Browser\Database;
use Tests\Browser\Server;

const WORDS = 'the heron eats at six';

/** Comes in by a link, as a new grower. */
function comesIn(Browser $browser, string $link, string $name): Browser
{
    return $browser->open($link)->write(Browser::field('Your name here'), $name)->write(Browser::field('Password'), WORDS)
        ->press('[data-act=join]')->waitForText('Make it');
}

it('lets growers in on the house network, and a phone by a code; what is typed while signed out is kept', function () {
    $database = Database::start();
    $server = Server::on($database, ['KELP_ASKS_WHO' => '1']);
    $browser = Browser::shared()->size(1280, 800);
    $other = Browser::start()->size(390, 844, true);
    try {
        $browser->open("$server->url/wish")->waitForText('Nobody grows here yet');
        preg_match('#/join/\w+#', $server->artisan('kelp:people', 'first'), $link);
        $browser->open($server->url.$link[0])->write(Browser::field('Your name here'), 'Nele');
        $browser->write(Browser::field('Password'), 'password12');
        expect(barriers($browser))->toBe([])->and(disorder($browser))->toBe([]);
        $browser->press('[data-act=join]')->waitForText('The password is among those that are tried first');
        $browser->write(Browser::field('Password'), WORDS)->press('[data-act=join]')->waitForText('Make it');
        $browser->write('#new-name', 'Reed bank')->press(Browser::text('Make it', 'button'))->waitForText('Nothing stands here yet');
        $garden = $browser->driver->getCurrentURL();

        // Somebody who is invited has a place of their own.
        $browser->open("$server->url/people")->press('[data-act=invite]');
        comesIn($other, $browser->see('[data-invitation]')->getText(), 'Oke');
        expect($other->see('body')->getText())->not->toContain('Reed bank');
        $other->open($garden)->waitForText('That garden is not here');
        $other->open("$server->url/people")->press('[data-act=sign-out]')->waitForText('Your name');

        // A phone comes in by the code that the computer shows, and is seen there.
        $browser->press('[data-act=let-device-in]');
        $code = $browser->see('.signs')->getText();
        expect(barriers($browser))->toBe([])->and(disorder($browser))->toBe([]);
        $other->open("$server->url/let-in")->write(Browser::field('Code'), 'not a code')->press('[data-act=let-in]')
            ->waitForText('The code is not known, was used already, or is too old');
        $other->write(Browser::field('Code'), $code)->write(Browser::field('This device is called'), 'Shed phone')
            ->press('[data-act=let-in]')->waitForText('Reed bank');
        $browser->see('[data-device="Shed phone"]');

        // Put out while it is at work, the computer keeps what is typed until somebody signs in again.
        $browser->open($garden)->see('.staff');
        $other->open("$server->url/people")->press('[data-device=Computer] button')->waitForText('Computer is signed out');
        $browser->press('.title')->write('[aria-label="Name of the garden"]', 'Sedge bank')->waitForText('You are signed out here');
        expect(trim($browser->see('.state')->getText()))->toBe('Not saved yet');
        $page = $browser->driver->getWindowHandle();
        $browser->driver->switchTo()->newWindow();
        $browser->open("$server->url/people")->write(Browser::field('Your name'), 'Nele')->write(Browser::field('Password'), WORDS)
            ->press('[data-act=sign-in]')->waitForText('Where you are signed in');
        $browser->driver->close();
        $browser->driver->switchTo()->window($page);
        $browser->until(fn (): bool => trim($browser->see('.state')->getText()) === 'Saved', 'to be saved');
        $other->open($server->url)->waitForText('Sedge bank');
    } finally {
        $other->close();
        $server->stop();
        $database->remove();
        Browser::clearComplaints();
    }
});
