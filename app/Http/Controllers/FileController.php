<?php

namespace App\Http\Controllers;

use App\Actions\ExportRegister;
use App\Models\Line;
use Diastoma\Core\Electrofusion\TraceFile;
use Diastoma\Core\PressureTest\CleanLog;
use Diastoma\Core\PressureTest\LoggerCsv;
use Diastoma\Core\Refused;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** Files in and out: traces, logs, register, GeoJSON. */
final class FileController extends Controller
{
    #[OA\Post(path: '/files/fusion-trace', summary: 'Read a fusion trace from CSV or JSON', tags: ['files'], requestBody: new OA\RequestBody(content: new OA\MediaType(mediaType: 'multipart/form-data', schema: new OA\Schema(properties: [new OA\Property(property: 'file', type: 'string', format: 'binary')]))), responses: [new OA\Response(response: 200, description: 'Samples', content: new OA\JsonContent(ref: '#/components/schemas/FileSamples'))])]
    public function fusionTrace(Request $request): JsonResponse
    {
        return new JsonResponse(['samples' => TraceFile::read($this->text($request)), 'columns' => ['t_s', 'u_v', 'i_a', 'temp_c']]);
    }

    #[OA\Post(path: '/files/pressure-log', summary: 'Read and clean a logger\'s file', tags: ['files'], requestBody: new OA\RequestBody(content: new OA\MediaType(mediaType: 'multipart/form-data', schema: new OA\Schema(properties: [new OA\Property(property: 'file', type: 'string', format: 'binary'), new OA\Property(property: 'date_order', type: 'string')]))), responses: [new OA\Response(response: 200, description: 'Samples and what was cleaned', content: new OA\JsonContent(ref: '#/components/schemas/FileSamples'))])]
    public function pressureLog(Request $request): JsonResponse
    {
        $order = $request->input('date_order');
        $log = CleanLog::of(LoggerCsv::read($this->text($request), in_array($order, ['DMY', 'MDY'], true) ? $order : null));
        $start = $log->rows[0][0];
        $hasWater = ! in_array(null, array_column($log->rows, 3), true);
        $hasTemperature = ! in_array(null, array_column($log->rows, 2), true);

        return new JsonResponse([
            // Without litres the row ends after the pressure: nothing is filled in.
            'samples' => array_map(fn ($r) => [round(($r[0] - $start) / 60, 5), round($r[1], 4), ...($hasWater ? [$r[3], ...($hasTemperature ? [$r[2]] : [])] : [])], $log->rows),
            'columns' => ['t_min', 'pressure_kpa', 'added_l', 'temp_c'],
            'summary' => $log->summary(),
        ]);
    }

    #[OA\Get(path: '/lines/{line}/register.csv', summary: 'The register as CSV', tags: ['files'], parameters: [new OA\Parameter(name: 'line', in: 'path', required: true, schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 200, description: 'CSV')])]
    public function csv(Request $request, Line $line, ExportRegister $export): StreamedResponse
    {
        $this->member($request, $line);

        return response()->streamDownload(fn () => $export->csv($line), $this->name($line, 'register.csv'), ['Content-Type' => 'text/csv; charset=utf-8']);
    }

    #[OA\Get(path: '/lines/{line}/line.geojson', summary: 'Line, joints and sections as GeoJSON', tags: ['files'], parameters: [new OA\Parameter(name: 'line', in: 'path', required: true, schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 200, description: 'GeoJSON')])]
    public function geoJson(Request $request, Line $line, ExportRegister $export): Response
    {
        $this->member($request, $line);

        return new Response($export->geoJson($line), 200, ['Content-Type' => 'application/geo+json', 'Content-Disposition' => 'attachment; filename="'.$this->name($line, 'line.geojson').'"']);
    }

    #[OA\Get(path: '/lines/{line}/register', summary: 'The register', tags: ['files'], parameters: [new OA\Parameter(name: 'line', in: 'path', required: true, schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 200, description: 'Register', content: new OA\JsonContent(ref: '#/components/schemas/Register'))])]
    public function register(Request $request, Line $line, ExportRegister $export): JsonResponse
    {
        $this->member($request, $line);

        return new JsonResponse($export->register($line));
    }

    private function text(Request $request): string
    {
        $request->validate(['file' => 'required|file|max:16384']);
        $text = (string) $request->file('file')->get();
        if ($text === '' || str_contains(substr($text, 0, 4096), "\0") || preg_match('/^(%PDF|PK\x03\x04|\x89PNG|\xFF\xD8)/', $text) === 1) {
            throw Refused::field('file', 'The file is no text: a CSV or JSON file is wanted.');
        }

        return $text;
    }

    private function name(Line $line, string $end): string
    {
        return trim((string) preg_replace('/[^A-Za-z0-9]+/', '-', $line->name), '-').'-'.$end;
    }
}
