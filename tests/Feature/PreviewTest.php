<?php

use App\Models\Line;
use App\Models\Section;
use Illuminate\Support\Str;

/** A line as far as it is known while it is typed. */
function soFar(int $project, array $more = []): array
{
    return $more + [
        'project_id' => $project, 'service' => 'water', 'material' => 'PE100', 'dn_mm' => 110, 'sdr' => 11, 'mdp_bar' => 8,
        'pipe_length_m' => 12, 'centre_line' => [[0, 0, 0, 50], [60, 60, 0, 53], [100, 100, 0, 51]],
    ];
}

it('draws a line while it is typed: pipes, joints, and where the pressures fall', function () {
    $seen = $this->as('engineer')->postJson('/api/v1/lines/preview', soFar($this->project->id, ['sections' => [
        ['name' => 'One', 'from_m' => 0, 'to_m' => 100, 'pipe_max_bar' => 16],
        ['name' => 'Too long', 'from_m' => 0, 'to_m' => 101],
        ['name' => 'Not said yet', 'from_m' => 10],
    ]]))->assertOk();
    // 100 m of 12 m pipes: eight whole ones and 4 m; a joint between each two.
    expect($seen->json('pipes'))->toBe(9)
        ->and($seen->json('last_pipe_m'))->toEqual(4)
        ->and($seen->json('joints'))->toHaveCount(8)
        ->and($seen->json('joints.7'))->toEqual(96)
        // 100 m in pipes of 6 m: 17 of them; in pipes of 18 m: 6.
        ->and($seen->json('other_lengths'))
        ->toEqual([['pipe_length_m' => 6, 'joints' => 16], ['pipe_length_m' => 18, 'joints' => 5]])
        ->and($seen->json('sections.0.plan.stp_kpa'))->toEqual(900)
        ->and($seen->json('sections.0.plan.gauge.lowest_m'))->toEqual(0)
        ->and($seen->json('sections.0.plan.missing'))->toBe([])
        // 3 m of water column less at the top, 9.80665 kPa a metre.
        ->and($seen->json('sections.0.plan.heads.1.1'))->toEqualWithDelta(900 - 3 * 9.80665, 1e-6)
        ->and($seen->json('sections.1.plan'))->toBeNull()
        ->and($seen->json('sections.1.fault'))->toContain('0 to 101 m; the line has chainage 0 to 100 m')
        ->and($seen->json('sections.2'))->toBe(['name' => 'Not said yet', 'plan' => null, 'fault' => null])
        ->and(Line::query()->count())->toBe(0);
});

it('knows a pipe that is ordered in inch, and what other lengths in feet cost', function () {
    $pipe = ['series' => 'ips', 'nominal' => 4, 'sdr' => 11, 'pipe_length_m' => 12.192];
    $asked = array_diff_key(soFar($this->project->id, $pipe), ['dn_mm' => 1]);
    $seen = $this->as('engineer')->postJson('/api/v1/lines/preview', $asked)->assertOk();
    // ASME B36.10M: 4 in is 4.500 in outside; DR 11: 4.500 / 11 = 0.409 in (ASTM D3035).
    expect($seen->json('size'))->toBe('4 in IPS')
        ->and($seen->json('od_mm'))->toEqualWithDelta(114.3, 1e-9)
        ->and($seen->json('wall_mm'))->toEqualWithDelta(0.409 * 25.4, 0.02)
        ->and($seen->json('other_lengths'))->toEqual([['pipe_length_m' => 6.096, 'joints' => 16]]);
    foreach (['nominal' => 5, 'series' => 'isp'] as $field => $value) {
        $this->postJson('/api/v1/lines/preview', [$field => $value] + $asked)
            ->assertUnprocessable()
            ->assertJsonPath('errors.0.field', $field);
    }
    $known = $this->getJson('/api/v1/procedures?material=PE100&service=water&series=ips&nominal=4&sdr=11')->assertOk();
    $byDiameter = $this->getJson('/api/v1/procedures?material=PE100&service=water&dn_mm=114.3&sdr=11')->assertOk();
    expect($known->json())->toBe($byDiameter->json());
});

it('says what cannot be, and is for engineers of the project', function () {
    $back = [[0, 0, 0, 50], [60, 60, 0, 53], [40, 40, 0, 51]];
    $this->as('engineer')->postJson('/api/v1/lines/preview', soFar($this->project->id, ['centre_line' => $back]))
        ->assertUnprocessable()->assertJsonPath('errors.0.message', 'centre_line, point 3: the chainage must grow; 40 follows 60.');
    $this->as('engineer')->postJson('/api/v1/lines/preview', soFar($this->project->id, ['pipe_length_m' => 0, 'mdp_bar' => 'ten']))
        ->assertUnprocessable()
        ->assertJsonFragment(['message' => 'Length of one pipe, m: 0 is outside 0.5 to 500.'])
        ->assertJsonFragment(['message' => 'Maximum design pressure, bar: "ten" is no number.']);
    $this->as('joiner')->postJson('/api/v1/lines/preview', soFar($this->project->id))->assertForbidden();
    $this->as('stranger')->postJson('/api/v1/lines/preview', soFar($this->project->id))->assertNotFound();
});

it('plans as it will be planned once it is made', function () {
    $body = $this->lineBody('pvc-spigot-socket');
    $line = $this->makeLine();
    $made = $this->as('engineer')->getJson("/api/v1/sections/{$line['sections'][0]['id']}")->assertOk()->json('plan');
    $seen = $this->as('engineer')->postJson('/api/v1/lines/preview', $body)->assertOk()->json('sections.0.plan');
    foreach (['profile', 'heads', 'gauge', 'compliance', 'raise', 'fill', 'vents', 'thrust', 'segments'] as $of) {
        expect($seen[$of])->toEqual($made[$of], $of);
    }
    $section = ['name' => 'Two'] + array_diff_key($body['sections'][0], ['name' => true]);
    $here = $this->as('engineer')->postJson("/api/v1/lines/{$line['id']}/sections/preview", $section)->assertOk();
    expect($here->json('plan.heads'))->toEqual($made['heads'])
        ->and($here->json('plan.missing'))->toBe($made['missing'])
        ->and(Section::query()->count())->toBe(1);
    $this->as('joiner')->postJson("/api/v1/lines/{$line['id']}/sections/preview", $section)->assertForbidden();
});

it('removes a section before its first test, and never after', function () {
    $line = $this->makeLine();
    $one = $line['sections'][0]['id'];
    $this->as('foreman')->deleteJson("/api/v1/sections/{$one}")->assertForbidden();
    $this->as('stranger')->deleteJson("/api/v1/sections/{$one}")->assertNotFound();
    $this->as('engineer')->deleteJson("/api/v1/sections/{$one}")->assertNoContent();
    $this->as('engineer')->deleteJson("/api/v1/sections/{$one}")->assertNotFound();
    $section = ['name' => 'Again'] + array_diff_key($this->lineBody('pvc-spigot-socket')['sections'][0], ['name' => true]);
    $this->as('engineer')->postJson("/api/v1/lines/{$line['id']}/sections", $section)->assertCreated();
    $two = Section::query()->firstOrFail();
    $this->as('foreman')->postJson("/api/v1/sections/{$two->id}/tests")->assertCreated();
    $this->as('engineer')->deleteJson("/api/v1/sections/{$two->id}")
        ->assertUnprocessable()->assertJsonPath('errors.0.message', 'Again has a test: its record stays, and so does the section.');
    expect(Section::query()->count())->toBe(1);
    $this->as('engineer')->deleteJson('/api/v1/sections/'.Str::uuid())->assertNotFound();
});
