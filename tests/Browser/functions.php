<?php

declare(strict_types=1);

// What browser tests do over and over, loaded by tests/Pest.php.

use Facebook\WebDriver\WebDriverBy;
use Tests\Browser\Browser;
use Tests\Browser\Server;
use Tests\Core\Gardens;

/** @param  array<string, mixed>|string  $garden */
function bench(array|string $garden = [], string $path = '', array $size = [1280, 800]): array
{
    $server = Server::shared();
    $id = $server->garden($garden);
    $browser = Browser::shared()->size(...$size)->open("$server->url/gardens/$id$path");
    // A phone has a bar at the foot in place of the staff.
    $browser->see($size[0] < 500 ? '.mark' : '.staff');

    return [$browser, $server, $id];
}

function bucket20(array $tub = [], array $garden = []): array
{
    return [
        'name' => 'Sill',
        'tubs' => [
            [
                'id' => 'a',
                'name' => 'Bucket',
                'system' => 'aerated',
                'vessel' => 'bucket-20',
                'crop' => 'basil',
                'stones' => ['kind' => 'disc-100'],
                ...$tub,
            ],
        ],
        'air' => [['id' => 'p', 'pump' => 'pump-4w-2', 'check_valve' => true, 'branches' => [['tub' => 'a']]]],
        ...$garden,
    ];
}

function saved(Browser $browser): void
{
    $browser->until(
        fn (): bool => $browser->driver->findElements(WebDriverBy::cssSelector('html[data-busy]')) === []
            && trim($browser->see('.state')->getText()) === 'Saved',
        'to be saved',
    );
}

/** The number of a figure of the reckoning by its label. */
function figure(Browser $browser, string $label): string
{
    return $browser->see(
        WebDriverBy::xpath("//*[contains(@class,'figure')][.//*[starts-with(normalize-space(.),'$label')]]//*[contains(@class,'big')]"),
    )->getText();
}

/** A figure as the page writes it: so many decimals, none that are zero. */
function written(float $value, int $decimals = 1): string
{
    return rtrim(rtrim(number_format($value, $decimals, '.', ''), '0'), '.');
}

/** Waits until the first tub of the open garden is kept so. */
function kept(Browser $browser, Server $server, callable $so): void
{
    $id = explode('/', (string) parse_url($browser->driver->getCurrentURL(), PHP_URL_PATH))[2];
    $browser->until(function () use ($server, $id, $so): bool {
        // A new garden is kept before its first tub is.
        $tub = $server->document($id)->tubs[0] ?? null;

        return $tub !== null && $so($tub);
    }, 'for the change to be kept');
}

/** The report of the garden that is open, from the file as it is kept: what the command line says. */
function reported(Browser $browser, Server $server): stdClass
{
    $id = explode('/', (string) parse_url($browser->driver->getCurrentURL(), PHP_URL_PATH))[2];
    saved($browser);

    return Gardens::report(Gardens::reader()->fromDocument($server->document($id)));
}

/** Opens what is folded away under a title, where it is not open yet. */
function fold(Browser $browser, string $title): Browser
{
    $summary = WebDriverBy::xpath("//summary[starts-with(normalize-space(.),'$title')]");
    $browser->acts++;
    // What stands over it may still be growing, and the press then lands beside it.
    $browser->until(function () use ($browser, $summary): bool {
        $element = $browser->see($summary);
        $open = fn (): bool => (bool) $browser->script('return arguments[0].parentElement.open', $element);
        if (! $open()) {
            $element->click();
        }

        return $open();
    }, "to open $title");

    return $browser;
}

/** An empty garden, just made; what follows is counted. */
function emptyGarden(string $name, string $units = 'metric'): Browser
{
    $server = Server::shared();
    $browser = Browser::shared()->size(1280, 800)->open($server->url);
    $browser->acts = 0;
    $browser->write('#new-name', $name)->press(Browser::text('Make it', 'button'));
    $browser->waitForText('Nothing stands here yet');
    if ($browser->see('[aria-label=Units] [aria-pressed=true]')->getText() !== ($units === 'us' ? 'in' : 'mm')) {
        $browser->press(Browser::text($units === 'us' ? 'in' : 'mm', 'button'));
    }

    return $browser;
}

function mark(Browser $browser, string $mark): Browser
{
    return $browser->press("[data-mark=$mark]")->see(WebDriverBy::xpath("//h1[.='".ucfirst($mark)."']")) ? $browser : $browser;
}

/** The folder into which a browser puts what it is given, empty. */
function downloads(Browser $browser): string
{
    $folder = sys_get_temp_dir().'/kelp-downloads-'.getmypid();
    array_map(unlink(...), glob("$folder/*") ?: []);
    is_dir($folder) || mkdir($folder);
    $browser->devTools('Browser.setDownloadBehavior', ['behavior' => 'allow', 'downloadPath' => $folder]);

    return $folder;
}

function downloaded(Browser $browser, string $file): string
{
    return $browser->until(
        fn (): string|false => is_file($file) && filesize($file) > 0 && ! is_file("$file.crdownload")
            ? (string) file_get_contents($file)
            : false,
        "for $file",
    );
}

/**
 * What axe-core has against the page that is open, by the rules of WCAG 2.2 A and AA: each with where.
 *
 * @return list<string>
 */
function barriers(Browser $browser): array
{
    $browser->script((string) file_get_contents(dirname(__DIR__, 2).'/node_modules/axe-core/axe.min.js'));

    return $browser->driver->executeAsyncScript(<<<'JS'
        const done = arguments[arguments.length - 1];
        axe.run(document, { runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'] })
            .then((r) => done(
                r.violations.flatMap((v) => v.nodes.map((n) => `${v.id}: ${n.target.join(' ')}: ${n.failureSummary}`.slice(0, 300))),
            ));
        JS);
}

/**
 * What axe-core has against the order of the page that is open: its landmarks, and its headings.
 *
 * @return list<string>
 */
function disorder(Browser $browser): array
{
    $browser->script((string) file_get_contents(dirname(__DIR__, 2).'/node_modules/axe-core/axe.min.js'));

    return $browser->driver->executeAsyncScript(<<<'JS'
        const done = arguments[arguments.length - 1];
        const rules = [
            'landmark-one-main', 'landmark-no-duplicate-main', 'landmark-main-is-top-level', 'landmark-unique',
            'landmark-no-duplicate-banner',
            'landmark-complementary-is-top-level', 'heading-order', 'page-has-heading-one', 'empty-heading',
        ];
        axe.run(document, { runOnly: { type: 'rule', values: rules } })
            .then((r) => done(r.violations.flatMap((v) => v.nodes.map((n) => `${v.id}: ${n.target.join(' ')}: ${n.html}`.slice(0, 300)))));
        JS);
}
