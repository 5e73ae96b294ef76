<?php

declare(strict_types=1);

namespace App\Growers;

use App\Models\OneTimeCode;

/** Makes codes that let somebody in once, and takes them. */
final class Codes
{
    /** Letters and digits that nobody mistakes for each other. */
    private const SIGNS = 'abcdefghjkmnpqrstuvwxyz23456789';

    /** Of these one holds at a time: a new one puts out the one before. */
    private const ONE_AT_A_TIME = [Purpose::Device, Purpose::Reset, Purpose::First];

    /** @param  string|null  $grower  whom it lets in; null where it makes a new grower */
    public function make(Purpose $purpose, ?string $grower = null): string
    {
        OneTimeCode::query()->where('expires_at', '<', now()->subDay())->delete();
        if (in_array($purpose, self::ONE_AT_A_TIME, true)) {
            OneTimeCode::query()->where('purpose', $purpose)->where('grower_id', $grower)->delete();
        }
        $code = '';
        for ($i = 0; $i < $purpose->length(); $i++) {
            $code .= self::SIGNS[random_int(0, strlen(self::SIGNS) - 1)];
        }
        OneTimeCode::create([
            'hash' => self::hash($code),
            'purpose' => $purpose,
            'grower_id' => $grower,
            'expires_at' => now()->addMinutes($purpose->minutes()),
        ]);

        return $code;
    }

    /** The code that can still be used for one of some purposes; null where there is none. */
    public function find(string $code, Purpose ...$purposes): ?OneTimeCode
    {
        return OneTimeCode::query()->where('hash', self::hash($code))->whereIn('purpose', $purposes)
            ->whereNull('used_at')->where('expires_at', '>', now())->first();
    }

    /** Takes it: of two who come with the same one, one gets in. */
    public function take(OneTimeCode $code): bool
    {
        return OneTimeCode::query()->whereKey($code->id)->whereNull('used_at')->where('expires_at', '>', now())
            ->update(['used_at' => now()]) === 1;
    }

    /** As it is typed: capitals, blanks and hyphens do not matter. */
    private static function hash(string $code): string
    {
        return hash('sha256', preg_replace('/[\s-]+/', '', strtolower($code)) ?? '');
    }
}
