<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Inertia\Middleware;

/** Serves the pages: which view they start in. */
final class HandleInertiaRequests extends Middleware
{
    protected $rootView = 'app';
}
