<?php

use Illuminate\Support\Facades\File;
use Illuminate\Support\Str;
use Symfony\Component\Process\Process;

/* What keeps the program running for years, as far as it needs no server to be looked at; the rest is in running.spec.ts. */

it('begins a log anew that has grown, while the server goes on writing into it', function () {
    $home = sys_get_temp_dir().'/logs-'.Str::random(8);
    File::ensureDirectoryExists("{$home}/run");
    file_put_contents("{$home}/run/nginx.log", str_repeat("what was before\n", 400_000));
    file_put_contents("{$home}/run/fpm.log", "short\n");
    $script = '. "$1/bin/lib/common.sh"; (for i in $(seq 40); do echo "line $i"; sleep 0.1; done >> "$2/run/nginx.log") & writer=$!; '
        .'LOGS_EVERY=1; keep_logs_small "$2"; wait $writer; kill $LOGS_PID';
    (new Process(['bash', '-c', $script, '-', base_path(), $home]))->mustRun();
    $now = (string) file_get_contents("{$home}/run/nginx.log");
    $before = (string) file_get_contents("{$home}/run/nginx.log.1");
    expect(strlen($now))->toBeLessThan(1000)
        ->and($now)->toEndWith("line 40\n")
        ->and($before)->toStartWith("what was before\n")
        ->and(preg_match_all('/^line \d+$/m', $now) + preg_match_all('/^line \d+$/m', $before))->toBe(40)
        ->and(file_exists("{$home}/run/fpm.log.1"))->toBeFalse();
    File::deleteDirectory($home);
});

it('installs the same packages a year from now: each is pinned at the version that is here', function () {
    $read = fn (string $file): array => json_decode((string) file_get_contents(base_path($file)), true, 64, JSON_THROW_ON_ERROR);
    $pinned = $read('etc/php-packages/composer.json')['require'];
    $installed = array_filter(
        $read('vendor/composer/installed.json')['packages'],
        fn (array $package) => ($package['dist']['type'] ?? '') !== 'path' && $package['type'] !== 'metapackage',
    );
    $versions = array_map(fn (string $version) => ltrim($version, 'v'), array_column($installed, 'version', 'name'));
    ksort($versions);
    expect($versions)->toBe($pinned)
        ->and(array_filter($pinned, fn (string $version) => preg_match('/^\d+(\.\d+)+$/', $version) !== 1))->toBe([]);
});
