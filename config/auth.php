<?php

declare(strict_types=1);

return [
    'defaults' => ['guard' => 'web'],
    'guards' => ['web' => ['driver' => 'session', 'provider' => 'growers']],
    'providers' => ['growers' => ['driver' => 'eloquent', 'model' => App\Models\Grower::class]],
];
