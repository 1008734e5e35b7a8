<?php

namespace App\Http\Controllers;

use App\Actions\BuildTestPack;
use App\Actions\PlanSection;
use App\Models\Joint;
use App\Models\PressureTest;
use App\Models\Section;
use Diastoma\Core\PressureTest\Segment;
use Diastoma\Core\Refused;
use Diastoma\Core\Simulation\PumpAndLogger;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;

final class SectionController extends Controller
{
    #[OA\Get(path: '/sections/{section}', summary: 'The plan of a section: heads, water, thrust, what is missing', tags: ['sections'], parameters: [new OA\Parameter(name: 'section', in: 'path', required: true, schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 200, description: 'The plan', content: new OA\JsonContent(ref: '#/components/schemas/SectionPlan'))])]
    public function show(Request $request, Section $section, PlanSection $plan): JsonResponse
    {
        $role = $this->member($request, $section->line);

        return new JsonResponse([
            'id' => $section->id, 'name' => $section->name, 'from_m' => $section->from_m, 'to_m' => $section->to_m, 'ask' => $section->ask, 'role' => $role->value,
            'line' => $section->line->only(['id', 'name', 'service', 'mdp_bar']) + ['time_zone' => $section->line->project->time_zone], 'method' => $section->method->only(['hash', 'title', 'key']),
            'plan' => $plan->plan($section),
            'joints' => $plan->joints($section)->map(fn (Joint $j) => ['id' => $j->id] + $j->only(['number', 'chainage_m', 'state', 'verdict']))->all(),
            'tests' => $section->tests->map(fn (PressureTest $t) => ['id' => $t->id, 'number' => $t->number, 'state' => $t->state, 'verdict' => $t->verdict])->all(),
        ]);
    }

    #[OA\Post(path: '/sections/{section}/tests', summary: 'Begin a test', tags: ['tests'], parameters: [new OA\Parameter(name: 'section', in: 'path', required: true, schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 201, description: 'The test', content: new OA\JsonContent(properties: [new OA\Property(property: 'id', type: 'string')]))])]
    public function begin(Request $request, Section $section, PlanSection $plan): JsonResponse
    {
        $this->member($request, $section->line);
        Gate::authorize('test', $section->line);

        return new JsonResponse(['id' => $plan->begin($section)->id], 201);
    }

    #[OA\Get(path: '/tests/{test}/stand-in', summary: 'The whole course of a test as the stand-in for pump and logger plays it', tags: ['stand-ins'], parameters: [new OA\Parameter(name: 'test', in: 'path', required: true, schema: new OA\Schema(type: 'string')), new OA\Parameter(name: 'fault', in: 'query', schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 200, description: 'Rows and marks', content: new OA\JsonContent(ref: '#/components/schemas/LogProgramme'))])]
    public function standIn(Request $request, PressureTest $test): JsonResponse
    {
        $this->member($request, $test->line());
        $fault = $request->query('fault', 'none');
        if (! is_string($fault)) {
            throw Refused::field('fault', 'A fault is one word, such as none.');
        }
        if (! isset(PumpAndLogger::FAULTS[$fault])) {
            throw Refused::field('fault', "\"{$fault}\" is no fault of the stand-in; known are ".implode(', ', array_keys(PumpAndLogger::FAULTS)).'.');
        }
        $context = $test->context;
        $s = $context['segments'][0];
        $segment = new Segment($s['length_m'], $s['id_mm'] / 1000, $s['wall_mm'] / 1000, $s['e_mod_gpa'] * 1e9, $s['nu'], $s['restraint']);
        // A pump that reaches the pressure in some minutes, as a crew would bring one.
        $rate = max(10, $segment->volume() * 4) / 60000;
        $pump = new PumpAndLogger($segment, (float) ($test->section->ask['water_c'] ?? 12), $context['gauge_target_kpa'] * 1000, $rate, $fault, $context['creep_m'] ?? null);

        return new JsonResponse($pump->play($test->procedure()->standIn()) + ['columns' => ['t_min', 'pressure_kpa', 'added_l', 'temp_c']]);
    }

    #[OA\Get(path: '/tests/{test}/pack.pdf', summary: 'The test pack', tags: ['tests'], parameters: [new OA\Parameter(name: 'test', in: 'path', required: true, schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 200, description: 'PDF')])]
    public function pack(Request $request, PressureTest $test, BuildTestPack $build): Response
    {
        $this->member($request, $test->line());
        $name = preg_replace('/[^A-Za-z0-9]+/', '-', $test->line()->name.'-'.$test->section->name.'-test-'.$test->number);

        return new Response($build($test, $this->user($request)->units), 200, ['Content-Type' => 'application/pdf', 'Content-Disposition' => "inline; filename=\"{$name}.pdf\""]);
    }
}
