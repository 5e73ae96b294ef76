<?php

declare(strict_types=1);

namespace App\Http\Controllers\Api;

use App\Growers\Codes;
use App\Growers\People;
use App\Growers\Purpose;
use App\Growers\SignIn;
use App\Http\RequestInput;
use App\Models\Grower;
use App\Models\OneTimeCode;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use KelpTub\Core\File\RefusedGarden;

/** Comes in by name and password or by a one-time code, and goes out. */
final readonly class SignInController
{
    private const DEVICE = ['device' => ['string', 'max:200']];

    private const GONE = 'is not known, was used already, or is too old; ask for a new one';

    public function __construct(private SignIn $signIn, private Codes $codes, private People $people)
    {
    }

    public function in(Request $request): JsonResponse
    {
        $body = RequestInput::body($request, [
            'name' => ['required', 'string', 'max:200'],
            'password' => ['required', 'string', 'max:1000'],
            ...self::DEVICE,
        ]);
        $grower = $this->signIn->known(People::plain($body->name), $body->password, (string) $request->ip());
        if ($grower === null) {
            throw RefusedGarden::one('/password', 'and that name do not go together; write both again');
        }

        return $this->come($request, $grower, $body->device ?? '');
    }

    /** By an invitation or the first code as a new grower; by a code of the command line with a new password. */
    public function join(Request $request): JsonResponse
    {
        $body = RequestInput::body($request, [
            'code' => ['required', 'string', 'max:100'],
            'name' => ['string', 'max:200'],
            'password' => ['required', 'string', 'max:1000'],
            ...self::DEVICE,
        ]);
        $code = $this->code($request, $body->code, Purpose::First, Purpose::Invitation, Purpose::Reset);
        $grower = DB::transaction(function () use ($code, $body): Grower {
            $this->take($code);
            if ($code->purpose !== Purpose::Reset) {
                return $this->people->make($body->name ?? '', $body->password);
            }
            $grower = Grower::query()->findOrFail($code->grower_id);
            $this->people->setPassword($grower, $body->password);
            SignIn::endAll($grower);

            return $grower;
        });

        return $this->come($request, $grower, $body->device ?? '');
    }

    /** A device that somebody who is signed in elsewhere lets in. */
    public function letIn(Request $request): JsonResponse
    {
        $body = RequestInput::body($request, ['code' => ['required', 'string', 'max:100'], ...self::DEVICE]);
        $code = $this->code($request, $body->code, Purpose::Device);
        $this->take($code);

        return $this->come($request, Grower::query()->findOrFail($code->grower_id), $body->device ?? '');
    }

    public function out(Request $request): JsonResponse
    {
        $this->signIn->out($request->session());

        return new JsonResponse(['signed' => 'out']);
    }

    private function come(Request $request, Grower $grower, string $device): JsonResponse
    {
        $this->signIn->in($grower, $request->session(), $device);

        return new JsonResponse(['name' => $grower->name]);
    }

    private function code(Request $request, string $text, Purpose ...$purposes): OneTimeCode
    {
        return $this->signIn->code($text, (string) $request->ip(), ...$purposes) ?? throw RefusedGarden::one('/code', self::GONE);
    }

    private function take(OneTimeCode $code): void
    {
        if (! $this->codes->take($code)) {
            throw RefusedGarden::one('/code', self::GONE);
        }
    }
}
