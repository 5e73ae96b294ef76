<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\Grower;
use Illuminate\Http\Request;
use Inertia\Middleware;

/** Serves the pages: which view they start in, and what every one of them is told. */
final class HandleInertiaRequests extends Middleware
{
    protected $rootView = 'app';

    /** @return array<string, mixed> with the name of who is signed in; null where nobody is asked */
    public function share(Request $request): array
    {
        $grower = config('kelp.asks_who') === true ? Grower::signedIn() : null;

        return [...parent::share($request), 'grower' => $grower?->name];
    }
}
