<?php

use App\Actions\PlanSection;
use App\Models\PressureTest;
use App\Pack\Sheet;
use Diastoma\Core\Units\UnitSystem;
use Illuminate\Support\Str;

/* After a test: its record is judged again elsewhere, and where it was bad the joints to look at first are named. */

beforeEach(function () {
    $this->project->update(['practice' => true]);
    $this->made = $this->makeLine();
    $this->sectionId = $this->made['sections'][0]['id'];
    foreach ($this->made['joints'] as $joint) {
        recordPvcJoint($this, $joint['id']);
    }
    $this->pressureTest = $this->as('foreman')->postJson("/api/v1/sections/{$this->sectionId}/tests")->assertCreated()->json('id');
    $this->at = "subjects/test/{$this->pressureTest}";
});

/** A test of a section by a method that shuts the line, recorded up to its phases. */
function shutTest(object $test, string $fault): string
{
    $hash = collect($test->as('engineer')->getJson('/api/v1/procedures')->json())->firstWhere('key', 'pressure-loss')['hash'];
    $body = ['name' => 'Two', 'from_m' => 0, 'to_m' => 18, 'method_hash' => $hash];
    $line = $test->as('engineer')->postJson("/api/v1/lines/{$test->made['id']}/sections", $body)->assertCreated()->json();
    $section = collect($line['sections'])->firstWhere('name', 'Two')['id'];
    $test->pressureTest = $test->as('foreman')->postJson("/api/v1/sections/{$section}/tests")->assertCreated()->json('id');
    $test->at = "subjects/test/{$test->pressureTest}";
    runTest($test, $fault, ['air-out' => ['drop_kpa' => 100, 'out_l' => 0.01]]);

    return $test->pressureTest;
}

/**
 * Runs a test with the stand-in up to the walk along the line.
 *
 * @param  array<string, array<string, mixed>>  $before  what the method asks before the pump starts, by step
 */
function runTest(object $test, string $fault, array $before = []): void
{
    $run = $test->as('foreman')->getJson("/api/v1/tests/{$test->pressureTest}/stand-in?fault={$fault}")->assertOk()->json();
    $log = ['trace' => (string) Str::uuid(), 'part' => 0, 'final' => true, 'samples' => $run['rows'], 'source' => 'stand-in'];
    $test->record('foreman', $test->at, 'instruments', $test->instruments())->assertCreated();
    $test->record('foreman', $test->at, 'ready', ['restrained' => true, 'valves' => true, 'zone' => true])->assertCreated();
    $test->record('foreman', $test->at, 'fill', ['water_c' => 12, 'vented' => true])->assertCreated();
    foreach ($before as $step => $value) {
        $test->record('foreman', $test->at, $step, $value)->assertCreated();
    }
    $test->record('foreman', $test->at, 'log', $log)->assertCreated();
    $test->record('foreman', $test->at, 'phases', $run['marks'])->assertCreated();
}

/** @return array<string, mixed> what the command line says of a record */
function judgedAlone(string $record): array
{
    $process = proc_open(
        [PHP_BINARY, base_path('bin/diastoma'), 'judge'],
        [['pipe', 'r'], ['pipe', 'w'], ['pipe', 'w']],
        $pipes,
        sys_get_temp_dir(),
        ['PATH' => (string) getenv('PATH')],
    );
    fwrite($pipes[0], $record);
    fclose($pipes[0]);
    $said = (string) stream_get_contents($pipes[1]);
    proc_close($process);

    return json_decode($said, true, 512, JSON_THROW_ON_ERROR);
}

it('gives out a record that the command line judges alike, without application and database', function (string $fault) {
    runTest($this, $fault);
    $shown = $this->as('inspector')->getJson("/api/v1/{$this->at}")->assertOk()->json('judgement');
    $record = $this->as('inspector')->get("/api/v1/{$this->at}/record.json")->assertOk();
    expect($record->headers->get('Content-Disposition'))->toContain('attachment; filename="Test-line-One-test-1.json"');
    $alone = judgedAlone($record->getContent());
    $said = fn (array $judgement): array => array_map(
        fn (array $step) => [$step['key'], $step['verdict'], array_column($step['reasons'], 'text')], $judgement['steps'],
    );
    expect($record->json('verdict'))
        ->toBe($shown['verdict'])
        ->and($alone['verdict'])
        ->toBe($shown['verdict'])
        ->and($said($alone))
        ->toBe($said($shown));
    // A joint is given out in the same way.
    $joint = "subjects/joint/{$this->made['joints'][0]['id']}";
    $of = $this->as('joiner')->getJson("/api/v1/{$joint}")->json('judgement.verdict');
    expect(judgedAlone($this->as('joiner')->get("/api/v1/{$joint}/record.json")->getContent())['verdict'])->toBe($of);
    // And to nobody who does not belong to the project.
    $this->as('stranger')->get("/api/v1/{$this->at}/record.json")->assertNotFound();
})->with(['none', 'leak']);

it('judges a record that was altered by what it says then', function () {
    runTest($this, 'none');
    $record = $this->as('inspector')->get("/api/v1/{$this->at}/record.json")->json();
    $before = judgedAlone((string) json_encode($record));
    foreach ($record['facts'] as $i => $fact) {
        if ($fact['step'] === 'log') {
            $halved = fn (array $row): array => [$row[0], $row[1] / 2] + $row;
            $record['facts'][$i]['value']['samples'] = array_map($halved, $fact['value']['samples']);
        }
    }
    $phases = fn (array $judged): string => collect($judged['steps'])->firstWhere('key', 'phases')['verdict'];
    expect($phases($before))->toBe('good')->and($phases(judgedAlone((string) json_encode($record))))->toBe('bad');
});

it('names the joints to look at first once its last test is bad, and none before', function () {
    $suspects = fn (): array => $this->as('joiner')->getJson("/api/v1/sections/{$this->sectionId}")->assertOk()->json('suspects');
    expect($suspects())->toBe([]);
    runTest($this, 'leak');
    $found = $suspects();
    $numbers = array_column($this->made['joints'], 'number');
    expect($found)->not->toBe([])->and(array_diff(array_column($found, 'number'), $numbers))->toBe([]);
    foreach ($found as $one) {
        expect($one['why'])->not->toBe([]);
    }
    // Another test, good so far, takes the blame from them.
    $this->as('foreman')->postJson("/api/v1/sections/{$this->sectionId}/tests")->assertCreated();
    expect($suspects())->toBe([]);
});

it('prints beside the verdict what the fall looks like, in the units of who prints', function () {
    $found = fn (string $test, UnitSystem $units): string => implode(
        ' ', (new Sheet(PressureTest::query()->findOrFail($test), $units, app(PlanSection::class)))->all()['found'],
    );
    $tight = shutTest($this, 'none');
    expect($found($tight, UnitSystem::Metric))
        ->toContain('Nothing fell that could be told from noise; a leak under 0.')
        ->and($found($tight, UnitSystem::Us))
        ->toContain('gal/h would not have been seen.');
});
