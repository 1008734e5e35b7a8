<?php

namespace App\Http\Controllers;

use App\Actions\BuildTestPack;
use App\Actions\PlanSection;
use App\Actions\SuspectJoints;
use App\Models\Joint;
use App\Models\PressureTest;
use App\Models\Section;
use App\Support\Say;
use Diastoma\Core\PressureTest\Segment;
use Diastoma\Core\Refused;
use Diastoma\Core\Simulation\PumpAndLogger;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;

final class SectionController extends Controller
{
    public function show(Request $request, Section $section, PlanSection $plan, SuspectJoints $suspects): JsonResponse
    {
        $role = $this->member($request, $section->line);

        return new JsonResponse([
            'id' => $section->id,
            'name' => $section->name,
            'from_m' => $section->from_m,
            'to_m' => $section->to_m,
            'ask' => $section->ask,
            'role' => $role->value,
            'line' => $section->line->only(['id', 'name', 'service', 'mdp_bar']) +
                $section->line->project->only(['time_zone', 'practice']),
            'method' => $section->method->only(['hash', 'title', 'key']),
            'plan' => $plan->plan($section),
            'suspects' => $suspects($section, $this->user($request)),
            'joints' => $plan
                ->joints($section)
                ->map(fn (Joint $j) => ['id' => $j->id] + $j->only(['number', 'chainage_m', 'state', 'verdict']))
                ->all(),
            'tests' => $section->tests
                ->map(fn (PressureTest $t) => $t->only(['id', 'number', 'state', 'verdict', 'asked_kpa']))
                ->all(),
        ]);
    }

    /** Planned otherwise: only before its first test, of which the record stays. */
    public function remove(Request $request, Section $section, PlanSection $plan): Response
    {
        $this->member($request, $section->line);
        Gate::authorize('plan', $section->line);
        $plan->remove($section);

        return new Response('', 204);
    }

    public function begin(Request $request, Section $section, PlanSection $plan): JsonResponse
    {
        $this->member($request, $section->line);
        Gate::authorize('test', $section->line);

        return new JsonResponse(['id' => $plan->begin($section)->id], 201);
    }

    public function standIn(Request $request, PressureTest $test): JsonResponse
    {
        $this->member($request, $test->line());
        $fault = $request->query('fault', 'none');
        if (! \is_string($fault)) {
            throw Refused::field('fault', Say::text('refused.faultIsOneWord'));
        }
        if (! isset(PumpAndLogger::FAULTS[$fault])) {
            throw Refused::field(
                'fault',
                Say::text('refused.noSuchFault', ['fault' => $fault, 'known' => implode(', ', array_keys(PumpAndLogger::FAULTS))]),
            );
        }
        $context = $test->context;
        $s = $context['segments'][0];
        $segment = new Segment($s['length_m'], $s['id_mm'] / 1000, $s['wall_mm'] / 1000, $s['e_mod_gpa'] * 1e9, $s['nu'], $s['restraint']);
        // A pump that reaches the pressure in some minutes, as a crew would bring one.
        $rate = max(10, $segment->volume() * 4) / 60000;
        $pump = new PumpAndLogger(
            $segment,
            (float) ($test->section->ask['water_c'] ?? 12),
            $context['gauge_target_kpa'] * 1000,
            $rate,
            $fault,
            $context['creep_m'] ?? null,
        );

        return new JsonResponse($pump->play($test->procedure()->standIn()) + ['columns' => ['t_min', 'pressure_kpa', 'added_l', 'temp_c']]);
    }

    public function pack(Request $request, PressureTest $test, BuildTestPack $build): Response
    {
        $this->member($request, $test->line());
        $name = preg_replace('/[^A-Za-z0-9]+/', '-', $test->line()->name.'-'.$test->section->name.'-test-'.$test->number);

        return new Response($build($test, $this->user($request)->units), 200, [
            'Content-Type' => 'application/pdf',
            'Content-Disposition' => "inline; filename=\"{$name}.pdf\"",
        ]);
    }
}
