<?php

declare(strict_types=1);

// Sessions are kept where growers sign in: on the house network (KELP_LISTEN). On loopback there are none.

return [
    'driver' => 'database',
    'table' => 'sessions',
    // A device that is not seen for so long is signed out, minutes.
    'lifetime' => 60 * 24 * 30,
    'expire_on_close' => false,
    'encrypt' => false,
    'lottery' => [2, 1000],
    'cookie' => 'kelp_tub',
    'path' => '/',
    'domain' => null,
    // Over plain HTTP there is no other way; where the request came by TLS, the cookie goes back by TLS alone.
    'secure' => null,
    'http_only' => true,
    'same_site' => 'lax',
    'partitioned' => false,
    'serialization' => 'json',
];
