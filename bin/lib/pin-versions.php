<?php

declare(strict_types=1);

/*
 * Writes down which version of each PHP package is installed, those that others bring along among them, so that the same come a
 * year from now: etc/php-packages/composer.json, which composer.json asks for. For who takes newer ones: change composer.json,
 * take this file's packages out of etc/php-packages, install, try, run this.
 */

$root = dirname(__DIR__, 2);
$installed = json_decode((string) file_get_contents($root.'/vendor/composer/installed.json'), true, 512, JSON_THROW_ON_ERROR);
$file = $root.'/etc/php-packages/composer.json';
$pinned = json_decode((string) file_get_contents($file), true, 512, JSON_THROW_ON_ERROR);

$versions = [];
foreach ($installed['packages'] as $package) {
    // What lies in this repository has the version that lies here.
    if (($package['dist']['type'] ?? '') !== 'path') {
        $versions[$package['name']] = ltrim($package['version'], 'v');
    }
}
unset($versions[$pinned['name']]);
ksort($versions);
$pinned['require'] = $versions;
file_put_contents($file, json_encode($pinned, JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR)."\n");
printf("%d packages\n", count($versions));
