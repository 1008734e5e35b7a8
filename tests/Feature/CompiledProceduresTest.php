<?php

use App\Support\CompiledProcedures;
use App\Support\ProcedureInShort;
use Diastoma\Core\Procedure\Procedure;
use Illuminate\Support\Facades\File;

/* Procedures are compiled once by each core; what is kept of it lies whole in its folder, or not at all. */

beforeEach(function () {
    $this->folder = storage_path('framework/procedures-of-a-test');
    $this->compiled = 0;
    $this->compile = function (): Procedure {
        $this->compiled++;

        return Procedure::shipped()['pvc-spigot-socket'];
    };
});

afterEach(fn () => File::deleteDirectory($this->folder));

it('compiles a text once, and takes it from its folder then', function () {
    $compiled = new CompiledProcedures($this->folder);
    $first = $compiled->get('abc', $this->compile);
    $second = $compiled->get('abc', $this->compile);
    expect($second)
        ->toEqual($first)
        ->and($second)
        ->not->toBe($first)
        ->and($this->compiled)
        ->toBe(1)
        ->and(File::files($this->folder))
        ->toHaveCount(1);
});

it('keeps what a list shows of a procedure apart, the same as read off the whole, with the reasons against a pipe', function () {
    $compiled = new CompiledProcedures($this->folder);
    $gasket = Procedure::shipped()['pvc-spigot-socket'];
    $small = Procedure::shipped()['ef-coupler-hand'];
    foreach (['abc' => $gasket, 'def' => $small] as $hash => $procedure) {
        $made = $compiled->short($hash, fn () => ProcedureInShort::of($procedure));
        $kept = $compiled->short($hash, fn () => throw new LogicException('It was kept.'));
        expect($kept)->toEqual($made)->and($kept)->not->toBe($made);
    }
    $pipe = ['material' => 'PE100', 'dn_mm' => 110.0];
    expect($kept->for($pipe)['unsuited'])
        ->toBe($small->unsuited($pipe))
        ->not->toBe([])
        ->and($kept->for([])['unsuited'])
        ->toBe([])
        ->and($kept->limits['parameters'])
        ->toBe($small->parametersToArray());
});

it('compiles again where nothing can be kept, and leaves nothing half kept', function () {
    File::put($this->folder, 'a file where the folder would be');
    $compiled = new CompiledProcedures("{$this->folder}/below");
    $compiled->get('abc', $this->compile);
    $compiled->get('abc', $this->compile);
    expect($this->compiled)->toBe(2);
    File::delete($this->folder);
});

it('takes nothing that another core compiled', function () {
    expect(config('procedures.compiled'))->toEndWith('/'.CompiledProcedures::core())->and(CompiledProcedures::core())->toHaveLength(16);
});
