<?php

declare(strict_types=1);

namespace App\Growers;

/** Which passwords will do: long ones that are not on everybody's list. It does not matter of what characters. */
final class Passwords
{
    public const LEAST = 10;

    public const MOST = 200;

    private const LOOKALIKES = ['0' => 'o', '1' => 'l', '3' => 'e', '4' => 'a', '5' => 's', '7' => 't', '@' => 'a', '$' => 's', '!' => 'i'];

    /** @var list<string>|null */
    private ?array $common = null;

    public function __construct(private readonly string $list)
    {
    }

    /** Why a password will not do; null where it will. */
    public function fault(string $password, string $name): ?string
    {
        $length = mb_strlen($password);

        return match (true) {
            $length < self::LEAST => sprintf(
                'has %d characters; it has %d at least, and four words in a row are good',
                $length,
                self::LEAST,
            ),
            $length > self::MOST => sprintf('has %d characters; it has %d at most', $length, self::MOST),
            $name !== '' && self::bare($password) === self::bare($name) => 'is your name; choose something that nobody would try',
            $this->isCommon($password) => 'is among those that are tried first; four words in a row are better',
            default => null,
        };
    }

    /** A common word stays one with digits behind it, in capitals, repeated, or with a 0 for an o. So is a run, as 1234567890. */
    private function isCommon(string $password): bool
    {
        $plain = mb_strtolower($password);
        $bare = self::bare($password);
        $this->common ??= array_values(array_filter(array_map(trim(...), file($this->list) ?: [])));

        return count(array_unique(mb_str_split($plain))) < 4
            || array_intersect([$plain, $bare, self::once($bare), self::once($plain)], $this->common) !== []
            || self::isRun($plain);
    }

    /** Without what is hung on before and behind, and with letters for their look-alikes. */
    private static function bare(string $password): string
    {
        $core = preg_replace('/^[^\p{L}@$]+|[^\p{L}$]+$/u', '', mb_strtolower($password)) ?? '';

        return preg_replace('/[^\p{L}]/u', '', strtr($core, self::LOOKALIKES)) ?? '';
    }

    /** kelpkelpkelp is kelp. */
    private static function once(string $text): string
    {
        return preg_match('/^(.+?)\1+$/u', $text, $found) === 1 ? $found[1] : $text;
    }

    /** 1234567890, abcdefghij, 9876543210. */
    private static function isRun(string $text): bool
    {
        $steps = [];
        for ($i = 1; $i < strlen($text); $i++) {
            $steps[(ord($text[$i]) - ord($text[$i - 1]) + 10) % 10] = true;
        }

        return count($steps) === 1;
    }
}
