<?php

namespace App\Http\Controllers;

use App\Actions\TryProcedure;
use App\Http\Requests\NewProcedure;
use App\Http\Requests\SumAlong;
use App\Http\Requests\TriedProcedure;
use App\Models\ProcedureText;
use App\Support\Say;
use Diastoma\Core\Calculation\Along;
use Diastoma\Core\Calculation\Registry;
use Diastoma\Core\Data;
use Diastoma\Core\Pipe\Material;
use Diastoma\Core\Pipe\PipeSize;
use Diastoma\Core\Refused;
use Diastoma\Core\Simulation\FusionBox;
use Diastoma\Core\Simulation\PracticeLabels;
use Diastoma\Core\Units\Display;
use Diastoma\Core\Units\Unit;
use Diastoma\Core\Units\UnitSystem;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

final class ProcedureController extends Controller
{
    /** A picture of a sum that takes longer is not waited for. */
    private const DRAWN_WITHIN_S = 3;

    public function index(Request $request, PipeSize $sizes): JsonResponse
    {
        $projects = $this->user($request)->projects->pluck('id');
        $pipe = $this->pipe($request, $sizes);
        $request->validate(['limits' => 'nullable|boolean']);
        $isCompared = $request->boolean('limits');

        return new JsonResponse(
            ProcedureText::usableIn($projects)
                ->latest()
                ->get(ProcedureText::LISTED)
                ->unique(fn (ProcedureText $p) => "{$p->project_id}/{$p->key}")
                ->sortBy([['family', 'asc'], ['title', 'asc']])
                ->values()
                ->map(
                    fn (ProcedureText $p) => $p->only(['hash', 'key', 'version', 'title', 'family', 'joint_type']) +
                        $p->short()->for($pipe) +
                        ($isCompared ? $p->short()->limits : []) +
                        ['own' => $p->project_id !== null],
                )
                ->all(),
        );
    }

    /** @return array<string, string|float> of which pipe it is asked, as far as that is said */
    private function pipe(Request $request, PipeSize $sizes): array
    {
        $said = $request->validate([
            'material' => 'nullable|string|max:20',
            'service' => 'nullable|string|max:20',
            'series' => 'nullable|string|max:20',
            'nominal' => 'nullable|numeric|gt:0',
            'dn_mm' => 'nullable|numeric|gt:0',
            'sdr' => 'nullable|numeric|gt:0',
        ]);
        foreach (['nominal', 'dn_mm', 'sdr'] as $figure) {
            if (isset($said[$figure])) {
                $said[$figure] = (float) $said[$figure];
            }
        }
        if (isset($said['nominal'], $said['material'])) {
            try {
                $said['dn_mm'] = $sizes->of($said, $said['service'] ?? 'water')['dn_mm'];
            } catch (Refused) {
                // What is not tabled has no diameter yet: what asks for one says nothing of it.
            }
        }

        return array_filter(array_diff_key($said, ['series' => 1, 'nominal' => 1]), fn (mixed $value) => $value !== null);
    }

    public function show(Request $request, ProcedureText $procedure): JsonResponse
    {
        $text = ProcedureText::usableIn($this->user($request)->projects->pluck('id'))->find($procedure->hash) ?? abort(404);

        return new JsonResponse($text->procedure()->text + ['hash' => $text->hash]);
    }

    public function store(NewProcedure $request): JsonResponse
    {
        $text = ProcedureText::freeze($request->procedure(), $request->integer('project_id'), $request->who()->id);

        return new JsonResponse($text->only(['hash', 'key', 'version', 'title', 'family', 'joint_type']), 201);
    }

    /** All that is wrong with it, or what it says of a joint; nothing is kept. */
    public function try(TriedProcedure $request, TryProcedure $try): JsonResponse
    {
        $procedure = $request->procedure();
        $joint = $request->joint();

        $units = $this->user($request)->units;

        return new JsonResponse([
            'steps' => \count($procedure->steps),
            'tried' => $joint === null ? null : $try($procedure, $joint, $units),
        ]);
    }

    public function calculations(Registry $registry): JsonResponse
    {
        $worked = Data::json('calculations/worked.json');

        return new JsonResponse(array_combine($registry->names(), array_map(
            fn (string $name) => $registry->schema($name) + ['x-example' => $worked[$registry->about($name)->name] ?? new \stdClass],
            $registry->names(),
        )));
    }

    public function calculate(Request $request, Registry $registry, string $name): JsonResponse
    {
        if (! $registry->has($name)) {
            abort(404);
        }
        $input = json_decode($request->getContent(), true, 64);
        if (! \is_array($input)) {
            throw Refused::field('json', Say::text('refused.noJsonObject'));
        }

        return new JsonResponse($registry->run($name, $input), 200, [], JSON_PRESERVE_ZERO_FRACTION);
    }

    public function along(SumAlong $request, Registry $registry, string $name): JsonResponse
    {
        abort_unless($registry->has($name), 404);
        $asked = $request->validated();
        $points = [];
        $until = microtime(true) + self::DRAWN_WITHIN_S;
        $along = (new Along($registry))->points($name, $asked['input'], $asked['key'], (float) $asked['from'], (float) $asked['to']);
        foreach ($along as $point) {
            $points[] = ['out' => (object) $point['out']] + $point;
            if (microtime(true) > $until) {
                throw Refused::field('key', Say::text('refused.drawnTooLong'));
            }
        }

        return new JsonResponse($points);
    }

    public function fusionBox(): JsonResponse
    {
        $programmes = [];
        foreach (FusionBox::FAULTS as $fault => $about) {
            $programmes[$fault] = ['about' => $about] + FusionBox::programme($fault);
        }

        return new JsonResponse($programmes);
    }

    public function labels(): JsonResponse
    {
        return new JsonResponse(PracticeLabels::all());
    }

    public function materials(): JsonResponse
    {
        return new JsonResponse(Material::ordered());
    }

    public function units(): JsonResponse
    {
        return new JsonResponse(
            array_map(
                fn ($units) => array_combine(array_keys($units), array_map(self::unit(...), array_keys($units), $units)),
                Unit::all(),
            ),
        );
    }

    /** @return array<string, mixed> a unit, and as what it is read by whom */
    private static function unit(string $suffix, Unit $unit): array
    {
        $shown = array_combine(
            array_column(UnitSystem::cases(), 'value'),
            array_map(fn (UnitSystem $system) => $system->suffix($suffix), UnitSystem::cases()),
        );

        return ['symbol' => $unit->symbol, 'factor' => $unit->factor, 'offset' => $unit->offset] +
            ['decimals' => Display::decimals($suffix), 'shown' => $shown];
    }
}
