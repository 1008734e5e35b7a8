<?php

namespace Tests;

use App\Models\ProcedureText;
use App\Models\Project;
use App\Models\User;
use Diastoma\Core\Procedure\Procedure;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Foundation\Testing\TestCase as Base;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;

/** Tests over the real MariaDB, each in its own transaction. */
abstract class TestCase extends Base
{
    use RefreshDatabase;

    /** @var array<string, User> */
    protected array $people = [];

    protected Project $project;

    protected function setUp(): void
    {
        parent::setUp();
        foreach (Procedure::shipped() as $procedure) {
            ProcedureText::freeze($procedure);
        }
        $this->project = Project::query()->create(['name' => 'Test valley', 'place' => 'Nowhere', 'time_zone' => 'Europe/Vienna']);
        foreach (['engineer', 'foreman', 'joiner', 'inspector'] as $role) {
            $this->people[$role] = User::query()
                ->create(['name' => ucfirst($role), 'email' => "{$role}@test.example", 'password' => 'secret-word', 'units' => 'metric'])
                ->refresh();
            $this->people[$role]->projects()->attach($this->project, ['role' => $role]);
        }
        $this->people['stranger'] = User::query()
            ->create(['name' => 'Stranger', 'email' => 'stranger@test.example', 'password' => 'secret-word', 'units' => 'metric'])
            ->refresh();
    }

    public function as(string $who): static
    {
        return $this->actingAs($this->people[$who]);
    }

    /** @return array<string, mixed> */
    public function lineBody(string $procedure = 'pvc-spigot-socket', array $more = []): array
    {
        $isPvc = $procedure === 'pvc-spigot-socket';
        $hash = fn (string $key) => ProcedureText::query()->where('key', $key)->firstOrFail()->hash;

        return $more + [
            'project_id' => $this->project->id,
            'name' => 'Test line',
            'service' => 'water',
            'material' => $isPvc ? 'PVC-U' : 'PE100',
            'dn_mm' => ['ef-coupler-large' => 315, 'ef-coupler-hand' => 63][$procedure] ?? 160,
            'sdr' => 17,
            'design_bar' => 6,
            'mdp_bar' => 8,
            'pipe_length_m' => 6,
            'procedure_hash' => $hash($procedure),
            'begun_on' => '2026-01-01',
            'centre_line' => [[0, 0, 0, 10], [18, 18, 0, 11]],
            'sections' => [
                [
                    'name' => 'One',
                    'from_m' => 0,
                    'to_m' => 18,
                    'method_hash' => $hash($isPvc ? 'constant-pressure-makeup' : 'pe-viscoelastic'),
                ],
            ],
        ];
    }

    /**
     * @param  array<string, mixed>  $more  said otherwise
     * @return array<string, mixed> the line as the API shows it
     */
    public function makeLine(string $procedure = 'pvc-spigot-socket', array $more = []): array
    {
        return $this->as('engineer')->postJson('/api/v1/lines', $more + $this->lineBody($procedure))->assertCreated()->json();
    }

    /** @param  array<string, mixed>  $value */
    public function record(string $who, string $path, string $step, array $value, array $more = []): TestResponse
    {
        // Who signs enters the password again.
        $more += ($value['signed'] ?? false) === true ? ['password' => 'secret-word'] : [];

        return $this->as($who)->postJson(
            "/api/v1/{$path}/facts",
            $more + ['id' => (string) Str::uuid(), 'step' => $step, 'value' => $value, 'recorded_at' => '2026-05-04T10:00:00+02:00'],
        );
    }

    /**
     * A thing put into the stores.
     *
     * @param  array<string, mixed>  $values
     * @return array<string, mixed> as it is chosen at a step
     */
    public function kept(string $kind, string $name, array $values): array
    {
        $body = ['id' => (string) Str::uuid(), 'project_id' => $this->project->id, 'kind' => $kind, 'name' => $name];

        return $this->as('engineer')->postJson('/api/v1/stores', $body + ['values' => $values])->assertCreated()->json('snapshot');
    }

    /** @return array<string, mixed> gauge and logger of a test, in date */
    public function instruments(): array
    {
        return [
            'gauge' => $this->kept('pressure-gauge', 'Gauge '.Str::random(6), ['due_on' => '2030-01-31']),
            'logger' => $this->kept('pressure-logger', 'Logger '.Str::random(6), ['due_on' => '2030-01-31']),
        ];
    }
}
