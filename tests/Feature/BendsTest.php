<?php

use App\Actions\ExamineSeals;
use App\Models\Line;
use App\Models\Pipe;
use App\Models\ProcedureText;

/* A bend that is set into a corner becomes a piece of the line: a joint at either end, a number of its own; the plan goes on from it. */

beforeEach(function () {
    // 60 m north, then 40 m that turn by 24° to the right; level. Points are kept to the millimetre.
    $turn = deg2rad(24);
    $this->line = fn () => Line::query()->findOrFail($this->makeLine(more: ['sections' => [], 'centre_line' => [
        [0, 0, 0, 20], [60, 0, 60, 20], [100, 40 * sin($turn), 60 + 40 * cos($turn), 20],
    ]])['id']);
    $this->bend = ['at_m' => 60, 'bend_deg' => 22.5, 'leg_m' => 0.2];
    $this->asked = fn (array $bends) => [
        'stock' => [['length_m' => 6, 'count' => null]], 'max_joint_angle_deg' => 1, 'working_share' => 1, 'min_piece_m' => 1,
        'bends' => $bends, 'reason' => 'as the drawing has it', 'from_m' => 0,
    ];
    $this->try = fn (Line $line, array $bends) => $this->as('engineer')
        ->postJson("/api/v1/lines/{$line->id}/laying-plan/try", ($this->asked)($bends));
    $this->lay = fn (Line $line, array $bends, array $more = []) => $this->as('engineer')
        ->postJson("/api/v1/lines/{$line->id}/laying-plan", $more + ($this->asked)($bends));
});

it('offers the bend that the corner wants, and takes it as it is offered', function () {
    $line = ($this->line)();
    $out = ($this->try)($line, [])->assertOk()->json();
    $help = collect($out['helps'])->firstWhere('kind', 'bend');
    expect($out['fail_reason'])->toBe('angle')->and($help)->toMatchArray(['enough' => true, 'bend_deg' => 22.5, 'at_m' => 60]);
    $taken = ($this->try)($line, [array_intersect_key($help, $this->bend)])->assertOk()->json();
    expect($taken['feasible'])->toBeTrue()->and($taken['piece_count'])->toBe($help['pieces'])->and($taken['bend_count'])->toBe(1)
        ->and($taken['max_angle_deg'])->toEqualWithDelta(0.75, 1e-4);
});

it('is a piece of the line, between two joints and with a number of its own', function () {
    $line = ($this->line)();
    $page = ($this->lay)($line, [$this->bend])->assertCreated()->json();
    $joints = $line->joints()->get();
    $bend = Pipe::query()->where('line_id', $line->id)->whereNotNull('bend')->sole();
    expect($bend->number)->toBe('B1')->and($bend->length_m)->toEqualWithDelta(0.4, 0.002)
        ->and($joints)->toHaveCount(count($page['plan']['rows']) - 1)
        ->and($page['asked']['bends'])->toEqual([$this->bend]);
    [$to, $on] = [$joints->firstWhere('pipe_b_id', $bend->id), $joints->firstWhere('pipe_a_id', $bend->id)];
    expect($to->planned['bend_deg'])->toEqual(22.5)->and($to->planned['bend_hour'])->toEqualWithDelta(3, 1e-6)
        ->and($to->planned['angle_deg'])->toEqualWithDelta(0.75, 1e-4)->and($on->planned['angle_deg'])->toEqualWithDelta(0.75, 1e-4)
        ->and($to->sides()['b'])->toBe('bend B1')->and($on->sides()['a'])->toBe('bend B1')
        ->and($on->chainage_m - $to->chainage_m)->toEqualWithDelta(0.4, 0.003);
    $said = $this->as('engineer')->getJson("/api/v1/lines/{$line->id}")->json('changes.0.said');
    expect($said)->toContain('Laid out from the face on: '.(count($page['plan']['rows']) - 1).' pipes')
        ->and(ExamineSeals::broken($line->refresh()))->toBe([]);
});

it('keeps its number when the line is laid out anew, and goes when the plan has it no more', function () {
    $line = ($this->line)();
    ($this->lay)($line, [$this->bend])->assertCreated();
    $bend = Pipe::query()->where('line_id', $line->id)->whereNotNull('bend')->sole();
    ($this->lay)($line, [['leg_m' => 0.3] + $this->bend])->assertCreated();
    $again = Pipe::query()->where('line_id', $line->id)->whereNotNull('bend')->sole();
    expect($again->id)->toBe($bend->id)->and($again->number)->toBe('B1')->and($again->bend['leg_m'])->toEqual(0.3);
    $numbers = Pipe::query()->where('line_id', $line->id)->whereNull('bend')->orderBy('number')->pluck('number')->all();
    expect($numbers)->toBe(array_map(fn (int $i) => sprintf('%03d', $i), range(1, count($numbers))));
    // Without it the corner has to be cut across by short pipes.
    ($this->lay)($line, [], ['stock' => [['length_m' => 0.5, 'count' => null]], 'max_joint_angle_deg' => 1, 'min_piece_m' => 0.5])
        ->assertUnprocessable();
    expect(Pipe::query()->where('line_id', $line->id)->whereNotNull('bend')->count())->toBe(1);
});

it('goes on from a bend that lies in the direction of its second leg', function () {
    $line = ($this->line)();
    ($this->lay)($line, [$this->bend])->assertCreated();
    $bend = Pipe::query()->where('line_id', $line->id)->whereNotNull('bend')->sole();
    $joint = $line->joints()->where('pipe_b_id', $bend->id)->sole();
    $this->record('joiner', "subjects/joint/{$joint->id}", 'pipes', ['pipe_a' => $joint->pipes['a'], 'pipe_b' => 'B1'])->assertCreated();
    $page = $this->as('engineer')->getJson("/api/v1/lines/{$line->id}/laying-plan")->assertOk()->json();
    // The bend lies, so it is asked for no more.
    expect($page['pipe'])->toBe('B1')->and($page['from_m'])->toEqualWithDelta(60.2, 0.002)->and($page['asked']['bends'])->toBe([]);
    $rest = ($this->lay)($line, [], ['from_m' => $page['from_m']])->assertCreated()->json('plan.rows');
    expect($rest[0]['angle_deg'])->toEqualWithDelta(0.75, 0.01)->and(count($rest))->toBe(7);
});

it('refuses a bend without a corner, or what is no bend, and keeps nothing', function (array $bend, string $field, string $why) {
    $line = ($this->line)();
    $before = $line->joints()->pluck('chainage_m', 'id')->all();
    $refused = ($this->lay)($line, [$bend + $this->bend])->assertUnprocessable()->json();
    expect(json_encode($refused, JSON_UNESCAPED_UNICODE))->toContain($why)->toContain($field)
        ->and($line->joints()->pluck('chainage_m', 'id')->all())->toBe($before);
})->with([
    [['at_m' => 30], 'bends', 'has no corner of the line'],
    [['leg_m' => 4.9, 'at_m' => 60, 'bend_deg' => 91], 'bends.0.bend_deg', '90'],
    [['leg_m' => 0], 'bends.0.leg_m', 'Centre to joint, m: 0 is outside 0.02 to 5'],
    [['at_m' => 'sixty'], 'bends.0.at_m', 'number'],
]);

it('stands in the files of the plan', function () {
    $line = ($this->line)();
    ($this->lay)($line, [$this->bend])->assertCreated();
    $text = (string) $this->as('joiner')->get("/api/v1/lines/{$line->id}/laying-plan.csv")->getContent();
    $csv = array_map(str_getcsv(...), explode("\n", trim($text)));
    $rows = array_map(fn (array $row) => array_combine($csv[0], $row), array_slice($csv, 1));
    $bends = array_values(array_filter($rows, fn (array $row) => $row['bend_deg'] !== ''));
    expect($bends)->toHaveCount(1)->and($bends[0]['pipe'])->toBe('B1')->and((float) $bends[0]['bend_deg'])->toBe(22.5)
        ->and((float) $bends[0]['bend_hour'])->toBe(3.0);
    $map = $this->as('joiner')->getJson("/api/v1/lines/{$line->id}/laying-plan.geojson")->json('features');
    expect(array_count_values(array_column(array_column($map, 'properties'), 'kind')))->toEqual(['pipe' => count($rows) - 1, 'bend' => 1]);
    $this->as('joiner')->get("/api/v1/lines/{$line->id}/laying-sheet.pdf")->assertOk();
});

it('is asked for in its section until somebody has recorded what holds it', function () {
    $line = ($this->line)();
    ($this->lay)($line, [$this->bend])->assertCreated();
    $hash = fn (string $key) => ProcedureText::query()->where('key', $key)->firstOrFail()->hash;
    $made = $this->as('engineer')->postJson("/api/v1/lines/{$line->id}/sections", [
        'name' => 'One', 'from_m' => 0, 'to_m' => 100, 'method_hash' => $hash('pressure-loss'),
    ])->assertCreated()->json('sections');
    $asks = fn () => array_values(array_filter(
        $this->as('engineer')->getJson("/api/v1/sections/{$made[0]['id']}")->assertOk()->json('plan.missing'),
        fn (string $said) => str_contains($said, 'thrust'),
    ));
    expect($asks())->toBe(['Bend B1 of 22.5°: no record says what holds its thrust.']);
    $this->as('engineer')->postJson("/api/v1/lines/{$line->id}/stretches", [
        'procedure_hash' => $hash('thrust-held'), 'name' => 'Block at B1', 'from_m' => 60,
    ])->assertCreated();
    // It is there, and holds the section up by itself as long as it is not done.
    expect($asks())->toBe([]);
});

it('is no joint that turns too far where the line is levelled as it was laid', function () {
    $line = ($this->line)();
    ($this->lay)($line, [$this->bend])->assertCreated();
    $id = $this->as('engineer')->postJson("/api/v1/lines/{$line->id}/stretches", [
        'procedure_hash' => ProcedureText::query()->where('key', 'as-laid')->firstOrFail()->hash,
        'name' => 'Levels', 'from_m' => 50, 'to_m' => 72,
    ])->assertCreated()->json('id');
    $bend = Pipe::query()->where('line_id', $line->id)->whereNotNull('bend')->sole();
    $to = $line->joints()->where('pipe_b_id', $bend->id)->sole()->chainage_m;
    $on = $line->joints()->where('pipe_a_id', $bend->id)->sole()->chainage_m;
    foreach ([54.0, $to, $on, $on + 6] as $at) {
        $read = ['at_m' => round($at, 3), 'level_m' => 20, 'off_mm' => 0];
        $this->record('joiner', "subjects/stretch/{$id}", 'levelled', $read)->assertCreated();
    }
    $this->record('joiner', "subjects/stretch/{$id}", 'levelled', ['all' => true])->assertCreated();
    $step = collect($this->as('joiner')->getJson("/api/v1/subjects/stretch/{$id}")->json('judgement.steps'))->firstWhere('key', 'levelled');
    expect($step['verdict'])->toBe('good')->and(json_encode($step['reasons']))->not->toContain('turns by');
});
