<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Chrome\ChromeDevToolsDriver;
use Facebook\WebDriver\Chrome\ChromeOptions;
use Facebook\WebDriver\Exception\ElementClickInterceptedException;
use Facebook\WebDriver\Exception\StaleElementReferenceException;
use Facebook\WebDriver\Exception\TimeoutException;
use Facebook\WebDriver\Remote\DesiredCapabilities;
use Facebook\WebDriver\Remote\HttpCommandExecutor;
use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverElement;
use Facebook\WebDriver\WebDriverKeys;
use RuntimeException;
use Symfony\Component\Process\Process;

/**
 * A person at a headless Chromium: opens pages, finds things by what they are called, presses and types, and waits until something is
 * so.
 */
final class Browser
{
    /** So long a condition may take, s: a machine under load is slow. */
    private const WAIT_SECONDS = 90;

    private static ?self $shared = null;

    private function __construct(
        public readonly RemoteWebDriver $driver,
        private readonly Process $chromedriver,
        private readonly string $profile,
    ) {
    }

    /** One browser for the whole run: a new one takes a second each. */
    public static function shared(): self
    {
        if (self::$shared === null) {
            self::$shared = self::start();
            register_shutdown_function(static fn () => self::$shared?->close());
        }

        return self::$shared;
    }

    public static function start(): self
    {
        $chromedriver = new Process(['chromedriver', '--port=0', '--allowed-ips=127.0.0.1']);
        $chromedriver->setTimeout(null);
        $chromedriver->start();
        $chromedriver->waitUntil(static fn (string $type, string $output): bool => str_contains($output, 'successfully on port'));
        if (preg_match('/successfully on port (\d+)/', $chromedriver->getOutput(), $m) !== 1) {
            throw new RuntimeException('ChromeDriver did not start: '.$chromedriver->getErrorOutput());
        }
        $profile = sys_get_temp_dir().'/kelp-chromium-'.bin2hex(random_bytes(4));
        $options = (new ChromeOptions)->addArguments([
            '--headless=new', '--no-sandbox', '--disable-gpu', '--disable-dev-shm-usage', '--disable-quic', '--no-first-run',
            '--disable-background-networking', '--disable-component-update', '--disable-sync', '--window-size=1280,800',
            '--force-prefers-reduced-motion', "--user-data-dir=$profile",
        ]);
        $capabilities = DesiredCapabilities::chrome();
        $capabilities->setCapability(ChromeOptions::CAPABILITY, $options);
        $capabilities->setCapability('goog:loggingPrefs', ['browser' => 'ALL']);
        $driver = RemoteWebDriver::create("http://127.0.0.1:$m[1]", $capabilities, 120_000, 300_000);
        $browser = new self($driver, $chromedriver, $profile);
        $browser->size(1280, 800);
        // Who uses these pages knows the way; what leads newcomers has its own test.
        $browser->devTools('Page.addScriptToEvaluateOnNewDocument', [
            'source' => "try { localStorage.setItem('kelp-way', localStorage.getItem('kelp-way') ?? 'known') } catch {}",
        ]);

        return $browser;
    }

    public function close(): void
    {
        $this->driver->quit();
        $this->chromedriver->stop(2);
        (new Process(['rm', '-rf', $this->profile]))->run();
        self::$shared = null;
    }

    public function size(int $width, int $height, bool $mobile = false): self
    {
        $this->devTools(
            'Emulation.setDeviceMetricsOverride',
            ['width' => $width, 'height' => $height, 'deviceScaleFactor' => 1, 'mobile' => $mobile],
        );

        return $this;
    }

    /** @param  array<string, mixed>  $parameters */
    public function devTools(string $command, array $parameters = []): mixed
    {
        return (new ChromeDevToolsDriver($this->driver))->execute($command, $parameters);
    }

    public function open(string $url): self
    {
        $this->driver->get($url);

        return $this;
    }

    public function script(string $script, mixed ...$arguments): mixed
    {
        return $this->driver->executeScript($script, $arguments);
    }

    /** The element for a CSS selector, or with text() an XPath, once it is there and shown. */
    public function see(string|WebDriverBy $what): WebDriverElement
    {
        $by = $what instanceof WebDriverBy ? $what : WebDriverBy::cssSelector($what);

        return $this->until(function () use ($by): ?WebDriverElement {
            foreach ($this->driver->findElements($by) as $element) {
                if ($element->isDisplayed()) {
                    return $element;
                }
            }

            return null;
        }, "to see {$by->getValue()}");
    }

    /** By the words on it: a button, a link, an option, a heading. */
    public static function text(string $words, string $tag = '*'): WebDriverBy
    {
        $quoted = str_contains($words, "'") ? "\"$words\"" : "'$words'";

        return WebDriverBy::xpath("//{$tag}[normalize-space(.)=$quoted and not(.//{$tag}[normalize-space(.)=$quoted])]");
    }

    /** By the label of a field. */
    public static function field(string $label): WebDriverBy
    {
        return WebDriverBy::xpath("//*[@id=//label[normalize-space(.)='$label']/@for]");
    }

    /** Presses and fields since it was last set to none: what a grower has to do for an answer. */
    public int $acts = 0;

    public function press(string|WebDriverBy $what): self
    {
        $this->acts++;
        $this->until(function () use ($what): bool {
            $element = $this->see($what);
            try {
                $element->click();

                return true;
            } catch (StaleElementReferenceException) {
                return false;
            } catch (ElementClickInterceptedException) {
                // Something that is still moving lies over it, or a bar that stays at the foot: whoever sees that scrolls it free.
                $this->script('arguments[0].scrollIntoView({ block: "center" })', $element);

                return false;
            }
        }, 'to press');

        return $this;
    }

    /** Replaces what is in a field and leaves it. */
    public function write(string|WebDriverBy $field, string $text): self
    {
        $element = $this->press($field)->see($field);
        $element->sendKeys([WebDriverKeys::CONTROL, 'a']);
        $element->sendKeys($text === '' ? WebDriverKeys::BACKSPACE : $text);
        $element->sendKeys(WebDriverKeys::TAB);
        $this->until(fn (): bool => (bool) $this->script("return !document.querySelector('input[aria-busy=true]')"), 'for it to be read');

        return $this;
    }

    /** Chooses from a list by its label. */
    public function choose(string $label, string $option): self
    {
        $this->press(WebDriverBy::xpath("//label[normalize-space(.)='$label']/following-sibling::div[contains(@class,'p-select')]"));
        $this->press(WebDriverBy::xpath("//li[@role='option'][normalize-space(.)='$option']"));
        $this->until(fn (): bool => $this->driver->findElements(WebDriverBy::cssSelector('.p-select-overlay')) === [], 'the list to close');

        return $this;
    }

    public function keys(string ...$keys): self
    {
        $this->driver->getKeyboard()->sendKeys(implode('', $keys));

        return $this;
    }

    /**
     * A drag in one request: the pointer goes down in the middle of an element and moves by so many px in steps.
     */
    public function drag(string $selector, int $x, int $y): self
    {
        $element = $this->see($selector);
        $this->script('arguments[0].scrollIntoView({ block: "nearest" })', $element);
        $rect = $this->script('const r = arguments[0].getBoundingClientRect(); return [r.x + r.width / 2, r.y + r.height / 2];', $element);
        $moves = [];
        for ($i = 1; $i <= 6; $i++) {
            $moves[] = [
                'type' => 'pointerMove',
                'duration' => 20,
                'x' => (int) round($rect[0] + $x * $i / 6),
                'y' => (int) round($rect[1] + $y * $i / 6),
                'origin' => 'viewport',
            ];
        }
        $actions = ['actions' => [[
            'type' => 'pointer', 'id' => 'mouse', 'parameters' => ['pointerType' => 'mouse'],
            'actions' => [
                [
                    'type' => 'pointerMove',
                    'duration' => 0,
                    'x' => (int) round($rect[0]),
                    'y' => (int) round($rect[1]),
                    'origin' => 'viewport',
                ],
                ['type' => 'pointerDown', 'button' => 0],
                ...$moves,
                ['type' => 'pointerUp', 'button' => 0],
            ],
        ]]];
        $executor = $this->driver->getCommandExecutor();
        $url = $executor instanceof HttpCommandExecutor ? $executor->getAddressOfRemoteServer() : '';
        $curl = curl_init("$url/session/{$this->driver->getSessionID()}/actions");
        curl_setopt_array(
            $curl,
            [
                CURLOPT_RETURNTRANSFER => true,
                CURLOPT_TIMEOUT => 120,
                CURLOPT_POSTFIELDS => json_encode($actions, JSON_THROW_ON_ERROR),
                CURLOPT_HTTPHEADER => ['Content-Type: application/json'],
            ],
        );
        $answer = (string) curl_exec($curl);
        if (str_contains($answer, '"error"')) {
            throw new RuntimeException("The drag failed: $answer");
        }

        return $this;
    }

    /**
     * Waits for a condition, never for a while.
     *
     * @template T
     *
     * @param  callable(): T  $condition
     * @return T
     */
    public function until(callable $condition, string $what): mixed
    {
        $answer = null;
        try {
            $seconds = (int) (getenv('KELP_WAIT_S') ?: self::WAIT_SECONDS);
            $this->driver->wait($seconds, 40)->until(function () use ($condition, &$answer): bool {
                try {
                    $answer = $condition();
                } catch (StaleElementReferenceException) {
                    return false;
                }

                return (bool) $answer;
            });
        } catch (TimeoutException) {
            throw new RuntimeException(
                "Waited in vain $what. The page says: ".mb_substr($this->bodyText(), 0, 1500).' '.implode(' | ', $this->complaints()),
            );
        }

        return $answer;
    }

    public function bodyText(): string
    {
        return (string) $this->script('return document.body.innerText');
    }

    public function waitForText(string $text): self
    {
        $this->until(fn (): bool => str_contains($this->bodyText(), $text), "for \"$text\"");

        return $this;
    }

    /** What the page complained of since the last time, at the level of an error. @return list<string> */
    public function complaints(): array
    {
        $severe = array_filter($this->driver->manage()->getLog('browser'), static fn (array $entry): bool => $entry['level'] === 'SEVERE');

        return array_values(array_map(static fn (array $entry): string => $entry['message'], $severe));
    }

    /** Forgets what earlier pages complained of, where a browser is open. */
    public static function clearComplaints(): void
    {
        self::$shared?->complaints();
    }

    public function shot(string $file): void
    {
        $this->driver->takeScreenshot($file);
    }
}
