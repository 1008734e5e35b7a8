<?php

namespace App\Http\Controllers;

use App\Actions\ExportRegister;
use App\Http\Requests\TextFile;
use App\Models\Line;
use Diastoma\Core\Electrofusion\TraceFile;
use Diastoma\Core\PressureTest\CleanLog;
use Diastoma\Core\PressureTest\LoggerCsv;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** Files in and out: traces, logs, register, GeoJSON. */
final class FileController extends Controller
{
    public function fusionTrace(TextFile $request): JsonResponse
    {
        return new JsonResponse(['samples' => TraceFile::read($request->text()), 'columns' => ['t_s', 'u_v', 'i_a', 'temp_c']]);
    }

    public function pressureLog(TextFile $request): JsonResponse
    {
        $order = $request->input('date_order');
        $log = CleanLog::of(LoggerCsv::read($request->text(), \in_array($order, ['DMY', 'MDY'], true) ? $order : null));
        $start = $log->rows[0][0];
        $hasWater = ! \in_array(null, array_column($log->rows, 3), true);
        $hasTemperature = ! \in_array(null, array_column($log->rows, 2), true);

        return new JsonResponse([
            // Without litres the row ends after the pressure: nothing is filled in.
            'samples' => array_map(
                fn ($r) => [
                    round(($r[0] - $start) / 60, 5),
                    round($r[1], 4),
                    ...$hasWater ? [$r[3], ...$hasTemperature ? [$r[2]] : []] : [],
                ],
                $log->rows,
            ),
            'columns' => ['t_min', 'pressure_kpa', 'added_l', 'temp_c'],
            'summary' => $log->summary(),
        ]);
    }

    public function csv(Request $request, Line $line, ExportRegister $export): StreamedResponse
    {
        $this->member($request, $line);

        return response()->streamDownload(fn () => $export->csv($line), $this->name($line, 'register.csv'), [
            'Content-Type' => 'text/csv; charset=utf-8',
        ]);
    }

    public function geoJson(Request $request, Line $line, ExportRegister $export): Response
    {
        $this->member($request, $line);

        return new Response($export->geoJson($line), 200, [
            'Content-Type' => 'application/geo+json',
            'Content-Disposition' => 'attachment; filename="'.$this->name($line, 'line.geojson').'"',
        ]);
    }

    public function register(Request $request, Line $line, ExportRegister $export): JsonResponse
    {
        $this->member($request, $line);

        return new JsonResponse($export->register($line));
    }

    private function name(Line $line, string $end): string
    {
        return trim((string) preg_replace('/[^A-Za-z0-9]+/', '-', $line->name), '-').'-'.$end;
    }
}
