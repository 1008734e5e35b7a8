<?php

use App\Actions\PlanSection;
use App\Models\PressureTest;
use App\Pack\CourseOfTest;
use App\Pack\RoundScale;
use App\Pack\TestPack;
use Diastoma\Core\Units\UnitSystem;
use Illuminate\Support\Str;

/** The words of the pack as they are laid out, for a test of the line that the tests make. */
function packed(string $test, UnitSystem $units = UnitSystem::Metric): string
{
    $pack = new TestPack(PressureTest::query()->findOrFail($test), $units, app(PlanSection::class));
    $body = (string) strstr($pack->pieces()->current(), '<body>');

    return (string) preg_replace('/\s+/', ' ', html_entity_decode(strip_tags(str_replace('<', ' <', $body))));
}

beforeEach(function () {
    $this->project->update(['practice' => true, 'client' => 'Marl Water', 'contractor' => 'Oake & Sons']);
    $line = $this->makeLine();
    $section = $line['sections'][0]['id'];
    $this->pressureTest = $this->as('foreman')->postJson("/api/v1/sections/{$section}/tests")->assertCreated()->json('id');
    $this->at = "subjects/test/{$this->pressureTest}";
    $this->run = $this->as('foreman')->getJson("/api/v1/tests/{$this->pressureTest}/stand-in?fault=none")->assertOk()->json();
});

it('is a whole pack before anything was done, and says what is missing', function () {
    $words = packed($this->pressureTest);
    expect($words)
        ->toContain('Pressure test 1 of One', 'Result Open not signed', 'Client Marl Water', 'Contractor Oake & Sons')
        ->toContain('Practice project: its devices are played by stand-ins.', 'Tested not yet', 'No log is stored.')
        ->toContain('To be confirmed by who signs, before the signature', 'Formula of the allowance: ldh-0.14, AS/NZS 2566.2:2002, M4')
        ->toContain('Instruments None was recorded.', 'Engineer signs the verdict not signed', 'Seal: none yet');
});

it('says in words what was done, in the units of who prints it and the time of the place', function () {
    $log = [
        'trace' => (string) Str::uuid(), 'part' => 0, 'final' => true, 'samples' => $this->run['rows'], 'source' => 'stand-in',
        'started_at' => '2026-05-04T08:30:00+02:00',
    ];
    $this->record('foreman', $this->at, 'instruments', $this->instruments())->assertCreated();
    $this->record('foreman', $this->at, 'ready', ['restrained' => true, 'valves' => true, 'zone' => true])->assertCreated();
    $first = $this->record('foreman', $this->at, 'fill', ['water_c' => 21, 'vented' => true])->assertCreated()->json('fact.id');
    $this->record('engineer', $this->at, 'fill', ['water_c' => 12, 'vented' => true], [
        'supersedes' => $first, 'reason' => 'digits were swapped', 'recorded_at' => '2026-05-04T10:05:00+02:00',
    ])->assertCreated();
    $this->record('foreman', $this->at, 'log', $log)->assertCreated();
    $this->record('foreman', $this->at, 'phases', $this->run['marks'])->assertCreated();
    $metric = packed($this->pressureTest);
    expect($metric)
        ->toContain('4 May 2026, 10:00 Filling Temperature of the water: 21.0 °C; Filled from the low end until')
        ->toContain('Does not count: entered again on 4 May 2026, 10:05 by', '"digits were swapped"')
        ->toContain('Temperature of the water: 12.0 °C', 'played by the stand-in of the device', 'Calibrated until: 31 Jan 2030')
        ->toContain('Phase From To Lasted 1 Raise 08:', 'most, ', 'least, ', 'minute', 'clock')
        // No key and no raw value of the machine.
        ->not->toMatch('/water_c|raise_from|true|false|\{|\}|T\d\d:\d\d:\d\d/');
    expect(packed($this->pressureTest, UnitSystem::Us))
        ->toContain('Temperature of the water: 53.6 °F', 'Held within 5.8 psi of 130.5 psi.')
        ->not->toMatch('/\d kPa|\d bar\b|\d °C/')
        ->and(packed($this->pressureTest, UnitSystem::Bar))
        ->toContain('Held within 0.40 bar of 9.00 bar.')
        ->not->toMatch('/\d kPa/');
});

it('is for who belongs to the project, and the parties are said by its engineer', function () {
    $to = "/api/v1/projects/{$this->project->id}";
    $this->as('foreman')->patchJson($to, ['client' => 'Mine'])->assertForbidden();
    $this->as('stranger')->patchJson($to, ['client' => 'Mine'])->assertNotFound();
    $this->as('engineer')->patchJson($to, ['client' => str_repeat('x', 121)])->assertUnprocessable();
    $this->as('engineer')->patchJson($to, ['client' => ' Tarn Water '])->assertOk()->assertJsonPath('contractor', 'Oake & Sons');
    expect(packed($this->pressureTest))->toContain('Client Tarn Water')->and($this->project->refresh()->client)->toBe('Tarn Water');
    $this->as('engineer')->patchJson($to, ['client' => null])->assertOk();
    expect(packed($this->pressureTest))->toContain('Client not stated');
    $this->as('stranger')->get("/api/v1/tests/{$this->pressureTest}/pack.pdf")->assertNotFound();
});

it('puts round figures along an axis', function (float $low, float $high, int $steps, array $ticks) {
    expect(RoundScale::over($low, $high, $steps)->ticks())->toEqualWithDelta($ticks, 1e-9);
})->with([
    [0, 1072, 6, [0, 200, 400, 600, 800, 1000, 1200]],
    [95.6, 99.9, 4, [94, 96, 98, 100]],
    [0, 0.9, 6, [0, 0.2, 0.4, 0.6, 0.8, 1.0]],
    [-3, 12, 4, [-5, 0, 5, 10, 15]],
]);

it('reads minutes as a clock is divided, and says which step is the largest that fits', function () {
    expect(RoundScale::ofMinutes(0, 322)->ticks())->toBe([0.0, 60.0, 120.0, 180.0, 240.0, 300.0])
        ->and(RoundScale::ofMinutes(3, 47)->ticks())->toBe([10.0, 20.0, 30.0, 40.0])
        ->and(RoundScale::ofMinutes(0, 3 * 1440)->step)->toBe(720.0)
        ->and([RoundScale::within(120), RoundScale::within(99), RoundScale::within(0.3)])->toBe([100.0, 50.0, 0.2]);
});

it('draws a fall that lasted one reading, however long the log', function () {
    $samples = array_map(fn (int $i) => [$i / 60, $i === 7001 ? 10.0 : 900.0], range(0, 20000));
    $drawn = (string) (new CourseOfTest($samples, [], [], UnitSystem::Metric, null))->draw();
    preg_match('/base64,([^"]+)/', $drawn, $svg);
    preg_match_all('/points="([^"]+)"/', base64_decode($svg[1]), $lines);
    $course = collect($lines[1])->sortByDesc(fn (string $points) => strlen($points))->first();
    $heights = array_map(fn (string $p) => (float) explode(',', $p)[1], explode(' ', $course));
    expect(count($heights))->toBeLessThan(1300)->and(max($heights) - min($heights))->toBeGreaterThan(200);
});

it('says what was recorded of the site along the section, and on the days of the test', function () {
    $line = PressureTest::query()->findOrFail($this->pressureTest)->line()->id;
    $hash = fn (string $key) => App\Models\ProcedureText::query()->where('key', $key)->firstOrFail()->hash;
    $add = fn (string $key, array $more = []) => $this->as('foreman')->postJson(
        "/api/v1/lines/{$line}/stretches", ['procedure_hash' => $hash($key)] + $more,
    )->assertSuccessful();
    expect(packed($this->pressureTest))->not->toContain('Records of the site');
    $this->travelTo(new DateTimeImmutable('2026-05-04T09:00:00+02:00'));
    $add('day-record');
    $add('covering', ['name' => 'Under the lane', 'from_m' => 3, 'to_m' => 9]);
    $add('covering', ['name' => 'A point at the end', 'from_m' => 18]);
    $this->travelTo(new DateTimeImmutable('2026-05-05T09:00:00+02:00'));
    $add('day-record');
    $this->record('foreman', $this->at, 'ready', ['restrained' => true, 'valves' => true, 'zone' => true])->assertCreated();
    expect(packed($this->pressureTest))
        ->toContain('4 May 2026 Day record Open not signed', 'Under the lane Covering Open not signed', 'A point at the end Covering')
        // On that day nothing of the test was done.
        ->not->toContain('5 May 2026 Day record');
});
