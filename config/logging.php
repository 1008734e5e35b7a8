<?php

return [
    'default' => env('LOG_CHANNEL', 'daily'),
    'channels' => [
        // A file for each day, the last thirty: what is older tells nobody anything.
        'daily' => ['driver' => 'daily', 'path' => storage_path('logs/diastoma.log'), 'level' => 'warning', 'days' => 30],
        'null' => ['driver' => 'monolog', 'handler' => Monolog\Handler\NullHandler::class],
        'emergency' => ['path' => storage_path('logs/diastoma.log')],
    ],
];
