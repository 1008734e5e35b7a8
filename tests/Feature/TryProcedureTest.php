<?php

use App\Models\ProcedureText;
use Diastoma\Core\Procedure\Procedure;

beforeEach(function () {
    $this->line = $this->makeLine();
    $this->joint = $this->line['joints'][0]['id'];
    recordPvcJoint($this, $this->joint);
    $this->text = Procedure::shipped()['pvc-spigot-socket']->text;
    $this->try = fn (array $procedure, ?string $joint = null, string $who = 'engineer') => $this->as($who)->postJson(
        '/api/v1/procedures/try',
        ['project_id' => $this->project->id, 'procedure' => $procedure] + ($joint === null ? [] : ['joint' => $joint]),
    );
});

it('says of a joint what an adapted text would say, and keeps nothing of it', function () {
    $same = ($this->try)($this->text, $this->joint)->assertOk();
    expect($same->json('tried.was'))->toBe($same->json('tried.now'))->and($same->json('tried.differs'))->toBe([]);
    $steps = array_values(array_filter($this->text['steps'], fn (array $step) => $step['id'] !== 'seen'));
    $steps[] = ['id' => 'talk', 'kind' => 'check', 'stage' => 'look', 'title' => 'Talk', 'fields' => [
        ['key' => 'heard', 'label' => 'Everybody heard it', 'type' => 'yesno', 'want' => true],
    ]];
    foreach ($steps as &$step) {
        if (str_contains((string) json_encode($step['figure'] ?? []), 'step.seen.')) {
            unset($step['figure']);
        }
        foreach (['after', 'needs_good'] as $list) {
            if (isset($step[$list])) {
                $step[$list] = array_values(array_diff($step[$list], ['seen']));
            }
        }
    }
    $parameters = array_filter(
        $this->text['parameters'],
        fn (string $name) => str_contains((string) json_encode($steps), "param.{$name}"),
        ARRAY_FILTER_USE_KEY,
    );
    $tried = ($this->try)(['id' => 'own', 'steps' => $steps, 'parameters' => $parameters] + $this->text, $this->joint)->assertOk();
    $differs = collect($tried->json('tried.differs'))->keyBy('key');
    expect($differs['talk'])
        ->toMatchArray(['was' => null, 'now' => 'open', 'title' => 'Talk'])
        ->and($differs['seen'])
        ->toMatchArray(['was' => 'good', 'now' => null])
        ->and($tried->json('tried.now'))
        ->toBe('open')
        ->and(ProcedureText::query()->where('key', 'own')->count())
        ->toBe(0);
});

it('names all that is wrong at once', function () {
    $text = $this->text;
    $text['steps'][0]['titel'] = 'x';
    $text['steps'][1]['kind'] = 'chek';
    $answer = ($this->try)($text)->assertUnprocessable();
    expect(count($answer->json('errors')))->toBeGreaterThan(1);
});

it('is for engineers of the project, and for joints of the project', function () {
    ($this->try)($this->text, null, 'joiner')->assertForbidden();
    ($this->try)($this->text, null, 'stranger')->assertNotFound();
    ($this->try)($this->text, (string) Illuminate\Support\Str::uuid())->assertNotFound();
    ($this->try)($this->text, 'no-id')->assertUnprocessable();
    expect(($this->try)($this->text)->assertOk()->json('tried'))->toBeNull();
});
