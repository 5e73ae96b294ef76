<?php

declare(strict_types=1);

namespace App\Meters;

use Illuminate\Http\Client\Factory;
use KelpTub\Core\Log\EntryReader;
use KelpTub\Core\Log\Meter;
use stdClass;
use Throwable;

/** A meter on the house network, over HTTP. One that is away or talks nonsense leaves nothing in the log, and it is said why. */
final readonly class MeterService
{
    private const SECONDS = 4;

    private const MOST_BYTES = 10_000;

    public const SHOWN = ['level_mm', 'ec_ms_cm', 'ph', 'water_c'];

    public function __construct(private Factory $http, private string $address)
    {
    }

    /**
     * @param  string  $at  of the grower's clock
     * @param  array<string, float>  $in  the fluid that it is held into, `ph` or `ec`, in place of its tub
     * @return array<string, float>|string what it shows, as it shows it; or why there is nothing
     */
    public function shows(string $garden, Meter $meter, string $at, array $in = []): array|string
    {
        try {
            $answer = $this->http->connectTimeout(1)->timeout(self::SECONDS)->acceptJson()->get($this->address, [
                'probe' => $meter->probe,
                'garden' => $garden,
                'tub' => $meter->tub,
                'copy' => $meter->copy,
                'at' => $at,
                ...$in,
            ]);
        } catch (Throwable) {
            return 'The meter does not answer. Look at its power, its cable and the connection.';
        }
        $said = strlen($answer->body()) <= self::MOST_BYTES ? json_decode($answer->body()) : null;
        if (! $answer->successful()) {
            $why = $said instanceof stdClass && is_string($said->message ?? null) ? mb_substr($said->message, 0, 120) : '';

            return 'The meter gives no reading'.($why === '' ? '.' : ": $why");
        }

        return $said instanceof stdClass ? self::sense($said) : 'The meter answers in a way that makes no sense. Nothing was written down.';
    }

    /** @return array<string, float>|string */
    private static function sense(stdClass $said): array|string
    {
        $shown = [];
        foreach (self::SHOWN as $what) {
            $value = $said->{$what} ?? null;
            if ($value === null) {
                continue;
            }
            $isIn = (is_int($value) || is_float($value)) && EntryReader::reading($what, $value) === null;
            if (! $isIn) {
                return sprintf(
                    'The meter shows a %s of %s, which cannot be. Nothing was written down.',
                    ['level_mm' => 'level', 'ec_ms_cm' => 'EC', 'ph' => 'pH', 'water_c' => 'warmth'][$what],
                    mb_substr((string) json_encode($value), 0, 20),
                );
            }
            $shown[$what] = (float) $value;
        }

        return $shown === [] ? 'The meter answers, and shows nothing. Look whether its probes are plugged in.' : $shown;
    }
}
