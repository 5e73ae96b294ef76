<?php

declare(strict_types=1);

// No disk of the framework's is used, and none is served.

return ['default' => 'local', 'disks' => ['local' => ['driver' => 'local', 'root' => storage_path('app'), 'serve' => false]]];
