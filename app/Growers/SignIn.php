<?php

declare(strict_types=1);

namespace App\Growers;

use App\Models\Device;
use App\Models\Grower;
use App\Models\OneTimeCode;
use Illuminate\Cache\RateLimiter;
use Illuminate\Contracts\Session\Session;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Str;
use Symfony\Component\HttpKernel\Exception\HttpException;

/** Lets growers in and out. Who tries too often waits, by the name that is tried and by the address that it is tried from. */
final readonly class SignIn
{
    private const WAIT_S = 900;

    private const TRIES_OF_NAME = 10;

    private const TRIES_FROM_ADDRESS = 40;

    public const DEVICE_LENGTH = 60;

    /** So many devices a grower is signed in on: the one that was let in first goes when there is another. */
    private const MOST_DEVICES = 50;

    public function __construct(private RateLimiter $tries, private Codes $codes)
    {
    }

    /** The grower of a name and password; null where they do not go together. It takes as long for a name that is not there. */
    public function known(string $name, string $password, string $address): ?Grower
    {
        $ofName = 'name:'.hash('sha256', Str::lower($name));
        $this->orWait($ofName, self::TRIES_OF_NAME);
        $this->orWait("from:$address", self::TRIES_FROM_ADDRESS);
        $grower = Grower::query()->where('name', $name)->first();
        $isRight = Hash::check($password, $grower->password ?? self::nobodys());
        if ($grower !== null && $isRight) {
            $this->tries->clear($ofName);

            return $grower;
        }
        $this->tries->hit($ofName, self::WAIT_S);
        $this->tries->hit("from:$address", self::WAIT_S);

        return null;
    }

    /** The code that still holds for one of some purposes; null where there is none, which is counted as a try. */
    public function code(string $text, string $address, Purpose ...$purposes): ?OneTimeCode
    {
        $this->orWait("from:$address", self::TRIES_FROM_ADDRESS);
        $code = $this->codes->find($text, ...$purposes);
        if ($code === null) {
            $this->tries->hit("from:$address", self::WAIT_S);
        }

        return $code;
    }

    /** Signs a device in, under a session that nobody knew before. */
    public function in(Grower $grower, Session $session, string $device): void
    {
        Device::query()->where('session_id', $session->getId())->delete();
        $session->flush();
        Auth::guard()->login($grower);
        Device::create([
            'grower_id' => $grower->id,
            'session_id' => $session->getId(),
            'name' => Str::limit(trim($device), self::DEVICE_LENGTH, '') ?: 'A device',
        ]);
        $surplus = Device::query()->where('grower_id', $grower->id)->latest()->latest('id')->skip(self::MOST_DEVICES)->take(100)->get();
        foreach ($surplus as $oldest) {
            self::end($oldest);
        }
    }

    public function out(Session $session): void
    {
        Device::query()->where('session_id', $session->getId())->delete();
        Auth::guard()->logout();
        $session->invalidate();
    }

    /** Puts a device out: what it asks next is asked by nobody. */
    public static function end(Device $device): void
    {
        DB::transaction(static function () use ($device): void {
            DB::table('sessions')->where('id', $device->session_id)->delete();
            $device->delete();
        });
    }

    /** Puts all of a grower's devices out, but the one that is named. */
    public static function endAll(Grower $grower, string $but = ''): void
    {
        Device::query()->where('grower_id', $grower->id)->where('session_id', '!=', $but)->get()->each(self::end(...));
        DB::table('sessions')->where('user_id', $grower->id)->where('id', '!=', $but)->delete();
    }

    private function orWait(string $key, int $most): void
    {
        if ($this->tries->tooManyAttempts($key, $most)) {
            $seconds = $this->tries->availableIn($key);
            $says = sprintf('That was tried too often. Try again in %d min.', (int) ceil($seconds / 60));

            throw new HttpException(429, $says, headers: ['Retry-After' => (string) $seconds]);
        }
    }

    /** The hash of a password that nobody has, made once by the same settings. */
    private static function nobodys(): string
    {
        static $hash = null;

        return $hash ??= Hash::make(Str::random(40));
    }
}
