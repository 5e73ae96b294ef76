<?php

declare(strict_types=1);

namespace App\Http\Controllers\Api;

use App\Growers\Codes;
use App\Growers\People;
use App\Growers\Purpose;
use App\Growers\SignIn;
use App\Http\RequestInput;
use App\Models\Device;
use App\Models\Grower;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use KelpTub\Core\File\RefusedGarden;

/** What a grower does about themselves: lets a device in or puts it out, invites somebody, changes the password. */
final readonly class PeopleController
{
    public function __construct(private Codes $codes)
    {
    }

    public function invite(): JsonResponse
    {
        return self::told($this->codes->make(Purpose::Invitation), 'join', Purpose::Invitation);
    }

    public function device(): JsonResponse
    {
        return self::told($this->codes->make(Purpose::Device, Grower::signedInOrFail()->id), 'let-in', Purpose::Device);
    }

    public function password(Request $request, People $people, SignIn $signIn): JsonResponse
    {
        $body = RequestInput::body($request, [
            'old' => ['required', 'string', 'max:1000'],
            'new' => ['required', 'string', 'max:1000'],
        ]);
        $grower = Grower::signedInOrFail();
        if ($signIn->known($grower->name, $body->old, (string) $request->ip()) === null) {
            throw RefusedGarden::one('/old', 'is not your password');
        }
        $people->setPassword($grower, $body->new);
        SignIn::endAll($grower, $request->session()->getId());

        return new JsonResponse(['password' => 'changed']);
    }

    public function end(string $device): JsonResponse
    {
        SignIn::end(Device::query()->where('grower_id', Grower::signedInOrFail()->id)->findOrFail($device));

        return new JsonResponse(['id' => $device]);
    }

    private static function told(string $code, string $page, Purpose $purpose): JsonResponse
    {
        return new JsonResponse(['code' => $code, 'path' => "/$page/$code", 'minutes' => $purpose->minutes()], 201);
    }
}
