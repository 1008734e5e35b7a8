<?php

use App\Actions\ExamineSeals;
use App\Models\LayingPlan;
use App\Models\Line;
use App\Models\Pipe;
use App\Models\ProcedureText;
use Illuminate\Http\UploadedFile;

/* A line is laid out, the plan laid down, and what the crew sees is the plan: joints, pipes, angles, levels. */

/** A line in an arc of 300 m radius with a fall of 5 in 1000, as points 2 m apart. */
function bentLine(float $length = 60.0, float $radius = 300.0): array
{
    $points = [];
    for ($at = 0.0; $at < $length + 1e-9; $at += 2) {
        $angle = $at / $radius;
        $points[] = array_map(
            fn (float $metres) => round($metres, 5),
            [$at, $radius * (1 - cos($angle)), $radius * sin($angle), 20 + 0.005 * $at],
        );
    }

    return $points;
}

beforeEach(function () {
    $this->asked = [
        'stock' => [['length_m' => 6, 'count' => null]], 'max_joint_angle_deg' => 1, 'working_share' => 1, 'min_piece_m' => 1,
    ];
    $this->make = fn () => Line::query()->findOrFail($this->makeLine(more: ['centre_line' => bentLine(), 'sections' => []])['id']);
    $this->try = fn (Line $line, array $more = []) => $this->as('engineer')
        ->postJson("/api/v1/lines/{$line->id}/laying-plan/try", $more + $this->asked);
    $this->lay = fn (Line $line, array $more = [], string $who = 'engineer') => $this->as($who)
        ->postJson("/api/v1/lines/{$line->id}/laying-plan", $more + $this->asked + ['reason' => 'pipes as delivered', 'from_m' => 0]);
});

it('starts from what the procedure says of the joint, and from the pipes of the line', function () {
    $line = ($this->make)();
    $page = $this->as('joiner')->getJson("/api/v1/lines/{$line->id}/laying-plan")->assertOk()->json();
    expect($page['turns'])->toBe(['limit_deg' => 1, 'source' => 'common figure for a plain bell'])
        ->and($page['from_m'])->toBe(0)
        ->and($page['face'])->toBeNull()
        ->and($page['may_lay_down'])->toBeFalse()
        ->and($page['plan'])->toBeNull()
        ->and($page['asked']['max_joint_angle_deg'])->toBe(1)
        ->and($page['asked']['stock'])->toEqual([['length_m' => $line->pipe_length_m, 'count' => null]]);
});

it('says where a line cannot be laid and what would help, and keeps nothing', function () {
    $line = ($this->make)();
    $joints = $line->joints()->pluck('id')->all();
    // 6 m on 300 m: 2 asin(3/300) = 1.146° at each joint.
    $out = ($this->try)($line)->assertOk()->json();
    expect($out['feasible'])->toBeFalse()
        ->and($out['fail_reason'])->toBe('angle')
        ->and($out['fail_station_m'])->toEqualWithDelta(6.0, 0.01)
        ->and(array_column($out['helps'], 'enough', 'kind'))->toMatchArray(['shorter-pipes' => true, 'wider-curve' => null]);
    $help = collect($out['helps'])->firstWhere('kind', 'shorter-pipes');
    $helped = ($this->try)($line, ['stock' => [['length_m' => 6], ['length_m' => $help['length_m'], 'count' => $help['count']]]])->json();
    expect($helped['feasible'])->toBeTrue()->and($helped['piece_count'])->toBe($help['pieces']);
    expect($line->joints()->pluck('id')->all())->toBe($joints)->and(LayingPlan::query()->count())->toBe(0);
});

it('fills the line: its joints, pipes, angles and levels are those that the crew sees', function () {
    $line = ($this->make)();
    $three = ['stock' => [['length_m' => 6, 'count' => 2], ['length_m' => 4, 'count' => null]]];
    $page = ($this->lay)($line, $three)->assertCreated()->json();
    $rows = $page['plan']['rows'];
    $joints = $line->joints()->get();
    expect($joints)->toHaveCount(count($rows) - 1)
        ->and($joints->pluck('chainage_m')->all())->toEqual(array_map(fn ($row) => round($row['from_m'], 3), array_slice($rows, 1)))
        ->and(Pipe::query()->where('line_id', $line->id)->orderBy('number')->pluck('length_m')->all())
        ->toEqual(array_map(fn ($row) => round($row['length_m'], 3), $rows));
    foreach ($joints as $i => $joint) {
        expect($joint->planned['angle_deg'])->toEqualWithDelta($rows[$i + 1]['angle_deg'], 1e-9)
            ->and($joint->planned['angle_deg'])->toBeLessThanOrEqual(1 + 1e-6)
            ->and($joint->planned['turn_right_deg'])->toBeGreaterThan(0)
            ->and($joint->planned['invert_m'])->toEqualWithDelta(20 + 0.005 * $joint->chainage_m, 1e-3)
            ->and($joint->planned['limit_deg'])->toEqual(1);
    }
    $line->refresh();
    $changes = $this->as('engineer')->getJson("/api/v1/lines/{$line->id}")->json('changes');
    expect($changes[0]['said'])->toBe('Laid out from the face on: '.count($rows).' pipes in place of 9 joints that were planned.')
        ->and(ExamineSeals::broken($line))->toBe([]);
    $seen = $this->as('joiner')->getJson("/api/v1/subjects/joint/{$joints[0]->id}")->assertOk()->json();
    expect($seen['planned']['angle_deg'])->toEqualWithDelta($rows[1]['angle_deg'], 1e-9);
});

it('says which way the sockets face: a sewer is laid uphill', function () {
    $line = ($this->make)();
    $asked = ['stock' => [['length_m' => 4]]];
    $up = ($this->try)($line, $asked)->assertOk()->json();
    expect($up['rise_m'])->toEqualWithDelta(0.3, 1e-3)->and($up['falling_count'])->toBe(0)->and($up['wants_uphill'])->toBeFalse();
    $falling = array_map(fn (array $point) => [$point[0], $point[1], $point[2], 40 - $point[3]], bentLine());
    $line->update(['service' => 'sewer', 'centre_line' => $falling]);
    $down = ($this->try)($line->refresh(), $asked)->assertOk()->json();
    expect($down['rise_m'])->toEqualWithDelta(-0.3, 1e-3)->and($down['falling_count'])->toBe(15)->and($down['wants_uphill'])->toBeTrue();
});

it('goes on from the face: what was begun stays, and the first new pipe turns from the last one', function () {
    $line = ($this->make)();
    ($this->lay)($line, ['stock' => [['length_m' => 4]]])->assertCreated();
    $third = $line->joints()->where('number', '3')->firstOrFail();
    recordPvcJoint($this, $third->id);
    $page = $this->as('engineer')->getJson("/api/v1/lines/{$line->id}/laying-plan")->json();
    expect($page['face'])->toBe('3')->and($page['from_m'])->toEqualWithDelta($third->chainage_m + 4, 0.002);
    $again = ($this->lay)($line, ['stock' => [['length_m' => 5]], 'from_m' => $page['from_m']])->assertCreated()->json();
    expect($again['plan']['rows'][0]['angle_deg'])->toEqualWithDelta(rad2deg(asin(4 / 600) + asin(5 / 600)), 0.02);
    $chainages = $line->joints()->pluck('chainage_m')->all();
    expect($line->joints()->whereKey($third->id)->exists())->toBeTrue()
        ->and($chainages[3])->toEqualWithDelta($page['from_m'], 1e-3)
        ->and($chainages[4] - $chainages[3])->toEqualWithDelta(5, 0.01)
        ->and(LayingPlan::query()->count())->toBe(2);
});

it('calls pipes too few by what is left to lay, and not by the whole line', function () {
    $line = ($this->make)();
    ($this->lay)($line, ['stock' => [['length_m' => 4, 'count' => 20]]])->assertCreated();
    recordPvcJoint($this, $line->joints()->where('number', '5')->firstOrFail()->id);
    $page = $this->as('engineer')->getJson("/api/v1/lines/{$line->id}/laying-plan")->json();
    // Six of the twenty lie; what is left of the line is 36 m, and ten of 4 m reach over it.
    expect($page['asked']['stock'])->toEqual([['length_m' => 4, 'count' => 14]]);
    $few = ($this->try)($line, ['stock' => [['length_m' => 4, 'count' => 8]]])->json();
    expect($few['fail_reason'])->toBe('stock')->and($few['helps'][0])->toMatchArray(['kind' => 'more-pipes', 'count' => 1]);
    $sharp = ($this->try)($line, ['stock' => [['length_m' => 4, 'count' => 10]], 'working_share' => 0.5])->json();
    expect($sharp['fail_reason'])->toBe('angle')->and($sharp['fail_angle_deg'])->toEqualWithDelta(0.76, 0.05);
});

it('keeps who each joint is: what a phone without network records at joint 5 is recorded at joint 5', function () {
    $line = ($this->make)();
    $fifth = $line->joints()->where('number', '5')->firstOrFail();
    ($this->lay)($line, ['stock' => [['length_m' => 4]]])->assertCreated();
    expect($fifth->refresh()->chainage_m)->toEqualWithDelta(20, 0.01)->and($fifth->planned['angle_deg'])->toBeGreaterThan(0.5);
    // Each joint meets the pipe that the one before it ends with.
    $joints = $line->joints()->get();
    foreach ($joints->slice(1) as $i => $joint) {
        expect($joint->pipes['a'])->toBe($joints[$i - 1]->pipes['b']);
    }
    recordPvcJoint($this, $fifth->id);
    expect($fifth->refresh()->state)->toBe('made')
        ->and($line->joints()->pluck('number')->map(fn (string $n) => (int) $n)->all())->toBe(range(1, $line->joints()->count()));
});

it('leaves a pipe of which somebody has said anything as it is', function () {
    $line = ($this->make)();
    $third = Pipe::query()->where('line_id', $line->id)->where('plain', '3')->firstOrFail();
    $said = ['rejected' => true, 'reason' => 'dent at the spigot'];
    $this->as('foreman')->postJson("/api/v1/pipes/{$third->id}/words", $said)->assertCreated();
    ($this->lay)($line, ['stock' => [['length_m' => 4]]])->assertCreated();
    expect($third->refresh())->toMatchArray(['state' => 'rejected', 'length_m' => 6.0])
        ->and($line->joints()->get()->flatMap(fn ($joint) => [$joint->pipe_a_id, $joint->pipe_b_id]))->not->toContain($third->id);
});

it('comes back to the line from where the last pipe lies', function () {
    $line = ($this->make)();
    ($this->lay)($line, ['stock' => [['length_m' => 4]]])->assertCreated();
    recordPvcJoint($this, $line->joints()->where('number', '3')->firstOrFail()->id);
    $from = $this->as('engineer')->getJson("/api/v1/lines/{$line->id}/laying-plan")->json('from_m');
    $out = ($this->try)($line, ['stock' => [['length_m' => 4]], 'off_right_m' => 0.01])->assertOk()->json();
    // 10 mm over 4 m are 0.14°: to the left of what the curve asks.
    $on = ($this->try)($line, ['stock' => [['length_m' => 4]]])->json();
    expect($out['rows'][0]['turn_right_deg'] - $on['rows'][0]['turn_right_deg'])->toEqualWithDelta(-rad2deg(0.01 / 4), 0.01)
        ->and($out['rows'][0]['to']['e_m'])->toEqualWithDelta($on['rows'][0]['to']['e_m'], 1e-3);
    expect($from)->toBeGreaterThan(0);
});

it('refuses a plan whose face has moved meanwhile, and changes nothing', function () {
    $line = ($this->make)();
    recordPvcJoint($this, $line->joints()->first()->id);
    $joints = $line->joints()->pluck('id')->all();
    ($this->lay)($line, ['stock' => [['length_m' => 4]], 'from_m' => 0])->assertConflict();
    expect($line->joints()->pluck('id')->all())->toBe($joints)->and(LayingPlan::query()->count())->toBe(0);
});

it('is laid down by an engineer alone, with a reason, within the limit', function (array $more, int $status, string $who, string $field) {
    $line = ($this->make)();
    $answer = ($this->lay)($line, $more + ['stock' => [['length_m' => 4]]], $who)->assertStatus($status);
    if ($status === 422) {
        expect(array_column($answer->json('errors'), 'field'))->toContain($field);
    }
    expect(LayingPlan::query()->count())->toBe(0);
})->with([
    'a joiner' => [[], 403, 'joiner', ''],
    'no reason' => [['reason' => ''], 422, 'engineer', 'reason'],
    'over the limit of the procedure' => [['max_joint_angle_deg' => 1.5], 422, 'engineer', 'max_joint_angle_deg'],
    'a share in per cent' => [['working_share' => 80], 422, 'engineer', 'working_share'],
    'no pipes' => [['stock' => []], 422, 'engineer', 'stock'],
    'a length twice' => [['stock' => [['length_m' => 4], ['length_m' => 4, 'count' => 3]]], 422, 'engineer', 'stock'],
    'a piece longer than any pipe' => [['min_piece_m' => 5], 422, 'engineer', 'min_piece_m'],
    'pipes with which it cannot be done' => [['stock' => [['length_m' => 12]]], 422, 'engineer', 'stock'],
]);

it('does not try to lay out what would keep the server busy', function () {
    $line = Line::query()->findOrFail($this->makeLine(more: [
        'centre_line' => [[0, 0, 0, 10], [70000, 70000, 0, 20]], 'sections' => [], 'pipe_length_m' => 500,
    ])['id']);
    ($this->try)($line)->assertStatus(422)->assertJsonPath('errors.0.field', 'from_m');
    $seven = array_map(fn (int $m) => ['length_m' => $m], range(1, 7));
    ($this->try)(($this->make)(), ['stock' => $seven])->assertStatus(422)->assertJsonPath('errors.0.field', 'stock');
});

it('finds nothing of another project', function () {
    $line = ($this->make)();
    $this->as('stranger')->getJson("/api/v1/lines/{$line->id}/laying-plan")->assertNotFound();
    $this->as('stranger')->postJson("/api/v1/lines/{$line->id}/laying-plan/try", $this->asked)->assertNotFound();
    $this->as('stranger')->getJson("/api/v1/lines/{$line->id}/laying-plan.csv")->assertNotFound();
});

it('calls pipes in its files as they are painted, wherever the plan begins', function () {
    $line = ($this->make)();
    ($this->lay)($line, ['stock' => [['length_m' => 4]]])->assertCreated();
    recordPvcJoint($this, $line->joints()->where('number', '3')->firstOrFail()->id);
    $face = $this->as('engineer')->getJson("/api/v1/lines/{$line->id}/laying-plan")->json('from_m');
    ($this->lay)($line, ['stock' => [['length_m' => 5]], 'from_m' => $face])->assertCreated();
    $csv = explode("\n", trim($this->as('joiner')->get("/api/v1/lines/{$line->id}/laying-plan.csv")->getContent()));
    $first = array_combine(str_getcsv($csv[0], escape: ''), str_getcsv($csv[1], escape: ''));
    $joint = $line->joints()->where('chainage_m', '>', $face - 0.01)->firstOrFail();
    expect($first['pipe'])->toBe(App\Models\Pipe::query()->findOrFail($joint->pipe_b_id)->number)
        ->and($first['pipe'])->not->toBe('1')
        ->and((float) $first['from_m'])->toEqualWithDelta($face, 1e-3);
    $map = $this->as('joiner')->getJson("/api/v1/lines/{$line->id}/laying-plan.geojson")->json('features');
    expect($map[0]['properties']['pipe'])->toBe($first['pipe']);
});

it('goes out as a table, a map, an alignment that reads in again, and a sheet for the trench', function () {
    $line = ($this->make)();
    $this->as('engineer')->getJson("/api/v1/lines/{$line->id}/laying-plan.csv")->assertStatus(422);
    $rows = ($this->lay)($line, ['stock' => [['length_m' => 4]]])->json('plan.rows');
    $csv = explode("\n", trim($this->as('joiner')->get("/api/v1/lines/{$line->id}/laying-plan.csv")->assertOk()->getContent()));
    expect($csv)->toHaveCount(count($rows) + 1)
        ->and(array_combine(str_getcsv($csv[0], escape: ''), str_getcsv($csv[3], escape: '')))
        ->toMatchArray(['pipe' => '003', 'length_m' => '4', 'to_invert_m' => (string) round($rows[2]['to']['invert_m'], 6)]);
    $map = $this->as('joiner')->getJson("/api/v1/lines/{$line->id}/laying-plan.geojson")->assertOk()->json('features');
    expect($map)->toHaveCount(count($rows))
        ->and($map[0]['geometry']['coordinates'][1][2])->toEqualWithDelta($rows[0]['to']['invert_m'], 1e-6);
    $xml = $this->as('joiner')->get("/api/v1/lines/{$line->id}/laying-plan.xml")->assertOk()->getContent();
    $points = $this->as('engineer')
        ->post('/api/v1/centre-line', ['file' => UploadedFile::fake()->createWithContent('line.xml', $xml)])
        ->assertOk()
        ->json('points');
    expect($points)->toHaveCount(count($rows) + 1)
        ->and($points[2][1])->toEqualWithDelta($rows[1]['to']['e_m'], 1e-3)
        ->and($points[2][3])->toEqualWithDelta($rows[1]['to']['invert_m'], 1e-3);
    $pdf = $this->as('joiner')->get("/api/v1/lines/{$line->id}/laying-sheet.pdf")->assertOk()->getContent();
    $file = tempnam(sys_get_temp_dir(), 'sheet').'.pdf';
    file_put_contents($file, $pdf);
    $text = (string) shell_exec('pdftotext -layout '.escapeshellarg($file).' -');
    unlink($file);
    expect($text)->toContain('Laying sheet')
        ->toContain('0.76° towards 3:00')
        ->toContain('wider at 9:00')
        ->toContain('+0.50 %')
        ->toContain('002');
});

it('tells the trench how far under the ground the invert lies, as far as somebody says where the ground is', function () {
    $line = ($this->make)();
    $table = function () use ($line): array {
        $csv = explode("\n", trim($this->as('joiner')->get("/api/v1/lines/{$line->id}/laying-plan.csv")->assertOk()->getContent()));
        $head = str_getcsv($csv[0], escape: '');

        return array_map(fn (string $row): array => array_combine($head, str_getcsv($row, escape: '')), array_slice($csv, 1));
    };
    $sheet = function () use ($line): string {
        $file = tempnam(sys_get_temp_dir(), 'sheet');
        file_put_contents($file, $this->as('joiner')->get("/api/v1/lines/{$line->id}/laying-sheet.pdf")->assertOk()->getContent());

        return (string) shell_exec('pdftotext -layout '.escapeshellarg($file).' - && rm '.escapeshellarg($file));
    };
    $short = ['stock' => [['length_m' => 4, 'count' => null]]];
    ($this->lay)($line, $short)->assertCreated();
    expect(array_unique(array_column($table(), 'depth_m')))->toBe([''])->and($sheet())->not->toContain('Under ground');
    // Level ground at 22.0 as far as 30 m; the invert begins at 20.0 and rises by 5 in 1000.
    $ground = [['at_m' => 0, 'level_m' => 22.0], ['at_m' => 30, 'level_m' => 22.0]];
    ($this->lay)($line, $short + ['ground' => $ground, 'ground_u_m' => 0.02, 'least_cover_m' => 0.8])->assertCreated();
    foreach ($table() as $row) {
        $at = (float) $row['from_m'];
        $at > 30 ? expect($row['depth_m'])->toBe('')
            : expect((float) $row['depth_m'])->toEqualWithDelta(2.0 - 0.005 * $at, 2e-3);
    }
    expect($sheet())->toContain('Under ground')->toContain('from the ground to the invert')->toContain('not known')->toContain('2.00 m');
});

it('reads levels out of a surveyor\'s file for the stretch that asks for them, and records nothing by it', function () {
    $line = ($this->make)();
    $hash = App\Models\ProcedureText::query()->where('key', 'as-laid')->firstOrFail()->hash;
    $body = ['procedure_hash' => $hash, 'name' => 'Levels', 'from_m' => 0, 'to_m' => 60];
    $stretch = $this->as('engineer')->postJson("/api/v1/lines/{$line->id}/stretches", $body)->assertCreated()->json('id');
    $points = array_map(fn (array $point) => implode(';', [$point[1], $point[2], $point[3] + 0.004]), bentLine());
    $csv = "easting;northing;invert\n".implode("\n", [...$points, '500;500;20']);
    $send = fn (string $who, array $more = []) => $this->as($who)->post('/api/v1/files/entries', $more + [
        'file' => UploadedFile::fake()->createWithContent('levels.csv', $csv), 'subject' => "stretch/{$stretch}", 'step' => 'levelled',
    ], ['Accept' => 'application/json']);
    $read = $send('joiner')->assertOk()->json();
    expect($read['entries'])->toHaveCount(31)
        ->and($read['entries'][3]['at_m'])->toEqualWithDelta(6, 1e-3)
        ->and($read['entries'][3]['level_m'])->toEqualWithDelta(20.034, 1e-3)
        ->and(abs($read['entries'][3]['off_mm']))->toBeLessThan(0.5)
        ->and($read['left_out'])->toHaveCount(1);
    expect($this->as('joiner')->getJson("/api/v1/subjects/stretch/{$stretch}")->json('facts'))->toBe([]);
    // Without the offset, which the step asks for, no row is offered that would then be refused.
    $bare = UploadedFile::fake()->createWithContent('levels.csv', "chainage,invert\n6,20.03\n");
    $none = $send('joiner', ['file' => $bare])->assertOk()->json();
    expect($none)->toBe(['entries' => [], 'left_out' => ['Chainage 6: Off the line, plus to the right is missing.']]);
    $send('joiner', ['step' => 'agreed'])->assertStatus(422)->assertJsonPath('errors.0.field', 'step');
    $send('joiner', ['subject' => null])->assertStatus(422)->assertJsonPath('errors.0.field', 'subject');
    $send('stranger')->assertNotFound();
});

it('says by how much a joint turns as it was laid, by the joints of the line and what they may turn', function () {
    $line = Line::query()->findOrFail($this->makeLine(more: ['sections' => [], 'centre_line' => [[0, 0, 0, 20], [60, 0, 60, 20]]])['id']);
    $joints = $line->joints()->orderBy('chainage_m')->limit(3)->pluck('chainage_m')->all();
    $hash = ProcedureText::query()->where('key', 'as-laid')->firstOrFail()->hash;
    $id = $this->as('engineer')->postJson("/api/v1/lines/{$line->id}/stretches", [
        'procedure_hash' => $hash, 'name' => 'Levels', 'from_m' => 0, 'to_m' => 30,
    ])->assertCreated()->json('id');
    $read = fn (float $at, float $off) => $this->record('joiner', "subjects/stretch/{$id}", 'levelled', [
        'at_m' => $at, 'level_m' => 20, 'off_mm' => $off,
    ])->assertCreated();
    foreach ([[0, 0], [$joints[0], 60], [$joints[1], 0]] as [$at, $off]) {
        $read($at, $off);
    }
    $this->record('joiner', "subjects/stretch/{$id}", 'levelled', ['all' => true])->assertCreated();
    $steps = $this->as('joiner')->getJson("/api/v1/subjects/stretch/{$id}")->assertOk()->json('judgement.steps');
    $said = array_column(collect($steps)->firstWhere('key', 'levelled')['reasons'], 'text');
    $turns = 2 * rad2deg(atan(60 / 1000 / $joints[0]));
    expect($said)->toContain(sprintf('The joint at %.2f m turns by %.2f°; up to 1.00° is allowed.', $joints[0], $turns));
});

it('says how much ground lies over the pipes, where somebody says where the ground is', function () {
    $line = ($this->make)();
    $short = ['stock' => [['length_m' => 4, 'count' => null]]];
    expect(($this->try)($line, $short)->assertOk()->json('cover'))->toBeNull()
        ->and(($this->try)($line, ['ground' => []] + $short)->assertOk()->json('cover'))->toBeNull();
    // The invert rises from 20.0 by 5 in 1000; the ground lies 1.5 m over it, and in a hollow at 30 m half a metre less.
    $ground = array_map(
        fn (float $at, float $over): array => ['at_m' => $at, 'level_m' => 20 + 0.005 * $at + $over],
        [0.0, 20.0, 30.0, 40.0, 60.0], [1.5, 1.5, 1.0, 1.5, 1.5],
    );
    $crown = ($line->pipe['od_mm'] - $line->pipe['wall_mm']) / 1000;
    $cover = fn (array $more): array => ($this->try)($line, $more + $short + ['ground' => $ground])->assertOk()->json('cover');
    // Of a plan that does not come out nothing is said.
    expect(($this->try)($line, ['ground' => $ground, 'least_cover_m' => 0.8, 'ground_u_m' => 0.02])->json('cover'))->toBeNull();
    $good = $cover(['least_cover_m' => 0.8, 'ground_u_m' => 0.02]);
    expect($good['verdict'])->toBe('good')
        ->and($good['cover_m'])->toEqualWithDelta(1.0 - $crown, 0.01)->and($good['at_m'])->toEqualWithDelta(30, 1e-6);
    $bad = $cover(['least_cover_m' => 1.2, 'ground_u_m' => 0.02]);
    expect($bad['verdict'])->toBe('bad')->and($bad['short'])->toHaveCount(1)
        ->and($bad['short'][0]['from_m'])->toBeGreaterThan(20)->and($bad['short'][0]['to_m'])->toBeLessThan(40);
    expect($cover([]))->toMatchArray(['verdict' => 'open', 'reasons' => ['no-limit']])
        ->and($cover(['least_cover_m' => 0.8]))->toMatchArray(['verdict' => 'open', 'reasons' => ['no-uncertainty']]);
    $half = $cover(['ground' => array_slice($ground, 0, 3), 'least_cover_m' => 0.8, 'ground_u_m' => 0.02]);
    expect($half['verdict'])->toBe('open')->and($half['unknown'][0]['from_m'])->toEqualWithDelta(30, 1e-6);
    // Whoever comes later finds the ground that was laid down with the plan.
    ($this->lay)($line, $short + ['ground' => $ground, 'least_cover_m' => 0.8, 'ground_u_m' => 0.02])->assertCreated();
    expect($this->as('joiner')->getJson("/api/v1/lines/{$line->id}/laying-plan")->json('asked'))
        ->toMatchArray(['least_cover_m' => 0.8, 'ground_u_m' => 0.02])->ground->toHaveCount(5);
});

it('refuses a ground that is none, by its field and its name', function (array $wrong, string $field, string $says) {
    $line = ($this->make)();
    $answer = ($this->try)($line, $wrong)->assertStatus(422)->json('errors.0');
    expect($answer['field'])->toBe($field)->and($answer['message'])->toContain($says);
})->with([
    'one place' => [['ground' => [['at_m' => 0, 'level_m' => 20]]], 'ground', 'Ground along the line'],
    'a place twice' => [['ground' => [['at_m' => 0, 'level_m' => 20], ['at_m' => 0, 'level_m' => 21]]], 'ground', 'row 2'],
    'a level in words' => [['ground' => [['at_m' => 0, 'level_m' => 'up'], ['at_m' => 9, 'level_m' => 21]]], 'ground.0.level_m', 'Level'],
    'cover below nothing' => [['least_cover_m' => -1], 'least_cover_m', 'Least cover'],
]);
