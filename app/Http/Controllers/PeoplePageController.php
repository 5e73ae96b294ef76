<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Growers\Passwords;
use App\Growers\Purpose;
use App\Growers\SignIn;
use App\Http\RequestInput;
use App\Models\Device;
use App\Models\Grower;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Inertia\Inertia;
use Inertia\Response;

/** Pages on which growers come in, and the one on which they see where they are signed in. */
final readonly class PeoplePageController
{
    public function signIn(Request $request): Response
    {
        return Inertia::render('SignIn', [
            'to' => self::here(RequestInput::word($request, 'to')),
            'nobody' => Grower::query()->doesntExist(),
        ]);
    }

    public function join(Request $request, SignIn $signIn, string $code): Response
    {
        $found = $signIn->code($code, (string) $request->ip(), Purpose::First, Purpose::Invitation, Purpose::Reset);

        return Inertia::render('Join', [
            'code' => $found === null ? null : $code,
            'purpose' => $found?->purpose->value,
            'name' => $found?->grower_id === null ? null : Grower::query()->find($found->grower_id)?->name,
            'least' => Passwords::LEAST,
        ]);
    }

    /** Nothing happens by a link alone: the code is taken at a press. */
    public function letIn(string $code = ''): Response
    {
        return Inertia::render('LetIn', ['code' => $code]);
    }

    public function people(Request $request): Response
    {
        $me = Grower::signedInOrFail();
        $devices = Device::query()->where('grower_id', $me->id)->latest()->get();
        $seen = DB::table('sessions')->whereIn('id', $devices->pluck('session_id'))->pluck('last_activity', 'id');

        return Inertia::render('People', [
            'name' => $me->name,
            'devices' => $devices->map(static fn (Device $device): array => [
                'id' => $device->id,
                'name' => $device->name,
                'here' => $device->session_id === $request->session()->getId(),
                'seen' => isset($seen[$device->session_id])
                    ? Carbon::createFromTimestamp((int) $seen[$device->session_id])->toIso8601String()
                    : null,
            ])->filter(static fn (array $device): bool => $device['here'] || $device['seen'] !== null)->values()->all(),
            'people' => Grower::query()->orderBy('name')->pluck('name')->all(),
            'addresses' => config('kelp.addresses'),
            'least' => Passwords::LEAST,
        ]);
    }

    /** A place of ours and no other: what comes after signing in is not chosen by who made the link. */
    private static function here(string $to): string
    {
        return preg_match('#^/(?![/\\\\])[\x21-\x7e]{0,500}$#D', $to) === 1 && ! str_contains($to, '\\') ? $to : '/';
    }
}
