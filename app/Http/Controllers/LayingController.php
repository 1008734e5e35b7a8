<?php

namespace App\Http\Controllers;

use App\Http\Requests\LayingAsked;
use App\Http\Requests\LayingLaidDown;
use App\Http\Resources\LayingPage;
use App\Laying\FindFace;
use App\Laying\LayDown;
use App\Laying\LayingFiles;
use App\Laying\LayingSheet;
use App\Laying\LayOut;
use App\Models\LayingPlan;
use App\Models\Line;
use App\Support\Say;
use Diastoma\Core\Refused;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** The laying plan of a line: tried, laid down, taken away as a file. */
final class LayingController extends Controller
{
    public function show(Request $request, Line $line, FindFace $face): JsonResponse
    {
        $role = $this->member($request, $line);

        return new JsonResponse(LayingPage::of($line, $face($line), $role));
    }

    public function try(LayingAsked $request, Line $line, FindFace $face, LayOut $layOut): JsonResponse
    {
        return new JsonResponse($layOut($line, $face($line), $request->asked()));
    }

    public function layDown(LayingLaidDown $request, Line $line, LayDown $layDown, FindFace $face): JsonResponse
    {
        $role = $this->member($request, $line);
        $layDown($line, $request->who(), $role, $request->asked(), $request->float('from_m'), $request->string('reason')->toString());

        return new JsonResponse(LayingPage::of($line->refresh(), $face($line), $role), 201);
    }

    public function csv(Request $request, Line $line, LayingFiles $files): Response
    {
        return $this->file($files->csv($line, $this->plan($request, $line)), 'text/csv; charset=utf-8', $line, 'laying-plan.csv');
    }

    public function geoJson(Request $request, Line $line, LayingFiles $files): Response
    {
        return $this->file($files->geoJson($line, $this->plan($request, $line)), 'application/geo+json', $line, 'laying-plan.geojson');
    }

    public function landXml(Request $request, Line $line, LayingFiles $files): Response
    {
        return $this->file($files->landXml($line, $this->plan($request, $line)), 'application/xml', $line, 'laying-plan.xml');
    }

    public function sheet(Request $request, Line $line, LayingSheet $sheet): Response
    {
        $plan = $this->plan($request, $line);

        return $this->file($sheet($line, $plan, $this->user($request)->units), 'application/pdf', $line, 'laying-sheet.pdf');
    }

    private function plan(Request $request, Line $line): LayingPlan
    {
        $this->member($request, $line);

        return LayingPlan::lastOf($line) ?? throw Refused::field('plan', Say::text('refused.noLayingPlan'));
    }

    private function file(string $text, string $type, Line $line, string $end): Response
    {
        $name = trim((string) preg_replace('/[^A-Za-z0-9]+/', '-', $line->name), '-').'-'.$end;

        return new Response($text, 200, ['Content-Type' => $type, 'Content-Disposition' => "attachment; filename=\"{$name}\""]);
    }
}
