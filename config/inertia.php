<?php

declare(strict_types=1);

return [
    'ssr' => ['enabled' => false],
    'pages' => ['paths' => [resource_path('js/Pages')], 'extensions' => ['vue']],
    'testing' => ['ensure_pages_exist' => true],
    'devtools' => ['enabled' => false],
];
