<?php

use App\Models\ProcedureText;
use Diastoma\Core\Data;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Str;
use Tests\Fuzz\Mutator;

/** How often the body of each route is altered. */
const BODIES = 50;

/**
 * A body that is taken, for each route that takes one; places in a path are filled with what the test has made.
 *
 * @param  array<string, string>  $made
 * @return array<string, array<string, mixed>> "METHOD uri" => body
 */
function bodies(array $made, array $line, array $section): array
{
    $fact = fn (string $step, array $value) => [
        'id' => (string) Str::uuid(),
        'step' => $step,
        'value' => $value,
        'recorded_at' => '2026-05-04T10:00:00+02:00',
        'supersedes' => null,
        'reason' => null,
    ];
    $dew = ['air_c' => 20, 'rh_pct' => 50];

    return [
        'POST session' => ['email' => 'joiner@test.example', 'password' => 'secret-word'],
        'PATCH me' => ['units' => 'us'],
        'POST lines' => $line,
        'POST lines/{line}/sections' => $section,
        'POST lines/{line}/joints' => [
            'procedure_hash' => $made['saddle'],
            'chainage_m' => 7.5,
            'number' => 'S9',
            'host_id' => null,
            'count' => 3,
            'pipe' => '2',
        ],
        'POST subjects/joint/{joint}/facts' => $fact('ovality@a', [
            'readings' => [
                ['clock' => '12:00', 'value_mm' => 160.2],
                ['clock' => '3:00', 'value_mm' => 160.4],
                ['clock' => '4:30', 'value_mm' => 160.1],
            ],
        ]),
        'POST joints/{joint}/cut-out' => ['reason' => 'cracked', 'piece_m' => 1],
        'POST subjects/test/{test}/facts' => $fact('log', [
            'trace' => (string) Str::uuid(),
            'part' => 0,
            'final' => true,
            'samples' => [[0, 0, 0, 12], [1, 500, 3, 12], [2, 900, 5, 12]],
            'started_at' => '2026-05-04T10:00:00+02:00',
            'ended_at' => '2026-05-04T10:02:00+02:00',
        ]),
        'POST sections/{section}/tests' => [],
        'POST stores' => [
            'id' => (string) Str::uuid(),
            'project_id' => (int) $made['project'],
            'kind' => 'fusion-box',
            'name' => 'Box',
            'values' => ['due_on' => '2099-01-01', 'efficiency' => 0.85, 'power_factor' => 0.8],
            'supersedes' => null,
            'reason' => null,
            'retired' => false,
        ],
        'POST procedures' => [
            'project_id' => (int) $made['project'],
            'procedure' => ['id' => 'own'] + Data::json('procedures/pvc-spigot-socket.json'),
        ],
        'POST calculations/{name}' => $dew,
        'POST subjects/joint/{joint}/photos' => [
            'id' => (string) Str::uuid(),
            'step' => 'look',
            'taken_at' => '2026-05-04T10:00:00+02:00',
            'file' => 'file',
        ],
        'POST subjects/test/{test}/photos' => [
            'id' => (string) Str::uuid(),
            'step' => 'look',
            'taken_at' => '2026-05-04T10:00:00+02:00',
            'file' => 'file',
        ],
        'POST centre-line' => ['file' => 'file'],
        'POST files/fusion-trace' => ['file' => 'file'],
        'POST files/pressure-log' => ['file' => 'file', 'date_order' => 'DMY'],
    ];
}

/** What is in a file that is sent: pictures, logs and lines, whole and torn. */
function odds(Mutator $mutator): string
{
    $whole = [
        "time;pressure [bar]\n2026-05-04 10:00:00;9,1\n2026-05-04 10:01:00;9,0\n",
        "time [s];voltage [V];current [A]\n0;39,5;24,7\n1;39,5;24,6\n",
        "chainage;easting;northing;level\n0;100;200;10\n50;150;200;11\n",
        '{"samples":[[0,39.5,24.7],[1,39.5,24.6]]}',
        '{"type":"LineString","coordinates":[[100,200,10.5],[150,200,11]]}',
        (string) base64_decode('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg=='),
    ];
    $lines = $mutator->alter(explode("\n", $whole[array_rand($whole)]));
    array_walk_recursive($lines, fn (mixed & $cell) => $cell = is_scalar($cell) || $cell === null ? (string) $cell : '');

    return implode("\n", array_map(fn (mixed $l) => is_array($l) ? implode(';', array_filter($l, is_string(...))) : (string) $l, $lines));
}

it('answers altered bodies, addresses and questions at every route with a sentence, never with a fault of the server', function (
    string $route,
) {
    [$method, $uri] = explode(' ', $route, 2);
    $mutator = new Mutator(crc32($route));
    mt_srand(crc32($route));
    $line = $this->makeLine('ef-coupler-large');
    $hash = fn (string $key) => ProcedureText::query()->where('key', $key)->firstOrFail()->hash;
    $test = $this->as('engineer')
        ->postJson("/api/v1/sections/{$line['sections'][0]['id']}/tests")
        ->assertCreated()
        ->json('id');
    $item = $this->as('engineer')
        ->postJson('/api/v1/stores', [
            'id' => (string) Str::uuid(),
            'project_id' => $this->project->id,
            'kind' => 'tool',
            'name' => 'T',
            'values' => [],
        ])
        ->json('id');
    $made = [
        'line' => $line['id'],
        'joint' => $line['joints'][0]['id'],
        'section' => $line['sections'][0]['id'],
        'test' => $test,
        'item' => (string) $item,
        'photo' => (string) Str::uuid(),
        'procedure' => $hash('pvc-spigot-socket'),
        'name' => 'dew-point',
        'saddle' => $hash('ef-saddle-tapping'),
        'project' => (string) $this->project->id,
    ];
    $section = [
        'name' => 'Two',
        'from_m' => 0,
        'to_m' => 12,
        'method_hash' => $hash('pe-viscoelastic'),
        'gauge_m' => 0,
        'stp_method' => 'factor',
        'factor' => 1.5,
        'water_c' => 12,
        'fill_l_s' => 5,
        'pipe_max_bar' => 16,
    ];
    $body = bodies($made, $this->lineBody('ef-coupler-large'), $section)["{$method} {$uri}"] ?? [];
    $questions = ['fault' => 'leak', 'units' => 'us', 'date_order' => 'DMY', 'page' => '1'];
    for ($i = 0; $i < BODIES; $i++) {
        $odd = $i % 5 === 4;
        $path =
            '/api/v1/'.
            preg_replace_callback(
                '/\{(\w+)\}/',
                fn (array $m) => $odd ? rawurlencode(mb_substr((string) json_encode($mutator->odd()), 0, 300)) : $made[$m[1]],
                $uri,
            );
        $path .= $i % 3 === 2 ? '?'.http_build_query($mutator->alter($questions)) : '';
        $sent = $body === [] ? $body : $mutator->alter($body);
        $file = isset($body['file']) ? ['file' => UploadedFile::fake()->createWithContent('x', odds($mutator))] : [];
        $headers =
            ['Accept' => 'application/json', 'Origin' => 'http://localhost'] +
            ($i % 7 === 6 ? ['X-Recorded-By' => (string) json_encode($mutator->odd())] : []);
        $call = $this->as(['engineer', 'joiner', 'inspector', 'stranger'][$i % 4]);
        $answer =
            $file === []
                ? $call->json($method, $path, $sent, $headers)
                : $call->call(
                    $method,
                    $path,
                    array_filter(array_diff_key($sent, $file), fn ($v) => ! is_object($v)),
                    [],
                    $file,
                    $this->transformHeadersToServerVars($headers),
                );
        expect($answer->getStatusCode())->toBeLessThan(
            500,
            "{$method} {$path} ".
                json_encode($sent, JSON_PARTIAL_OUTPUT_ON_ERROR).
                ' '.
                mb_substr((string) $answer->getContent(), 0, 400),
        );
        if ($answer->getStatusCode() >= 400) {
            expect($answer->headers->get('Content-Type'))->toBe('application/problem+json')->and($answer->json('title'))->toBeString();
        }
    }
    // What is no JSON at all.
    foreach (['{', '[1,2', "\xFF\xFE", '"x"', '1e999', '{"a":1e999}', str_repeat('[', 600)] as $raw) {
        $answer = $this->as('engineer')->call(
            $method,
            '/api/v1/'.preg_replace_callback('/\{(\w+)\}/', fn (array $m) => $made[$m[1]], $uri),
            [],
            [],
            [],
            $this->transformHeadersToServerVars([
                'Accept' => 'application/json',
                'Content-Type' => 'application/json',
                'Origin' => 'http://localhost',
            ]),
            $raw,
        );
        expect($answer->getStatusCode())->toBeLessThan(500, "{$route} {$raw} ".mb_substr((string) $answer->getContent(), 0, 400));
    }
})->with(function () {
    // Read off the file of routes itself: a new one is here by being there.
    preg_match_all(
        "/Route::(get|post|patch|delete)\\('([^']+)'/",
        (string) file_get_contents(dirname(__DIR__, 2).'/routes/api.php'),
        $m,
        PREG_SET_ORDER,
    );

    return array_map(fn (array $r) => strtoupper($r[1]).' '.$r[2], $m);
});
