<?php

$mariadb = [
    'driver' => 'mariadb',
    'host' => env('DB_HOST', '127.0.0.1'),
    'port' => env('DB_PORT', '3306'),
    'unix_socket' => env('DB_SOCKET', ''),
    'database' => env('DB_DATABASE', 'diastoma'),
    'username' => env('DB_USERNAME', 'diastoma'),
    'password' => env('DB_PASSWORD', ''),
    'charset' => 'utf8mb4',
    'collation' => 'utf8mb4_unicode_ci',
    'prefix' => '',
    'strict' => true,
    'timezone' => '+00:00',
    // Behind a lock the newest is read, not what was there before it was waited for; and no gaps are locked.
    'isolation_level' => 'READ COMMITTED',
    // Each query is one round trip; prepared by the server it is two or three, and no query here is made twice.
    'options' => [PDO::ATTR_EMULATE_PREPARES => true],
];

return [
    'default' => 'mariadb',
    'connections' => [
        'mariadb' => $mariadb,
        // The same, for what must be seen while the first one is held at one moment.
        'beside' => $mariadb,
    ],
    'migrations' => ['table' => 'migrations', 'update_date_on_publish' => false],
];
