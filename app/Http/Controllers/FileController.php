<?php

namespace App\Http\Controllers;

use App\Actions\DoubtEvidence;
use App\Actions\ExportRegister;
use App\Http\Requests\TextFile;
use App\Models\Line;
use App\Support\Say;
use Diastoma\Core\Bolting\WrenchCsv;
use Diastoma\Core\Electrofusion\TraceFile;
use Diastoma\Core\Laying\CentreLine;
use Diastoma\Core\PressureTest\CleanLog;
use Diastoma\Core\PressureTest\JoinedLog;
use Diastoma\Core\PressureTest\LoggerCsv;
use Diastoma\Core\PressureTest\ThinLog;
use Diastoma\Core\Procedure\Kind\Entries;
use Diastoma\Core\Refused;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** Files in and out: traces, logs, register, GeoJSON. */
final class FileController extends Controller
{
    public function fusionTrace(TextFile $request): JsonResponse
    {
        $samples = TraceFile::read($request->text());

        return new JsonResponse(
            ['samples' => $samples, 'columns' => ['t_s', 'u_v', 'i_a', 'temp_c']] + $this->evidence($request, $samples, 1, null),
        );
    }

    public function pressureLog(TextFile $request): JsonResponse
    {
        $order = $request->input('date_order');
        $files = array_map(
            fn (string $text) => LoggerCsv::read($text, \in_array($order, ['DMY', 'MDY'], true) ? $order : null),
            $request->texts(),
        );
        $log = JoinedLog::of(array_map(fn (LoggerCsv $file) => CleanLog::of($file), $files));
        $kept = ThinLog::of($log->columns, CleanLog::GAP_INTERVALS * $log->interval);
        [$times, $temperatures, $litres] = [$kept->times, $kept->temperatures, $kept->litres];
        $start = $times[0];
        $hasWater = $litres !== null && ! \in_array(null, $litres, true);
        $hasTemperature = $temperatures !== null && ! \in_array(null, $temperatures, true);

        // Without litres the row ends after the pressure: nothing is filled in.
        $samples = array_map(
            fn ($r) => [
                round(($r[0] - $start) / 60, 5),
                round($r[1], 4),
                ...$hasWater ? [$r[3], ...$hasTemperature ? [$r[2]] : []] : [],
            ],
            $kept->rows(),
        );
        $unzoned = array_filter($files, fn (LoggerCsv $file) => ! $file->hasZone);
        $clock = ['first' => $start, 'last' => $times[\count($times) - 1], 'zoned' => $unzoned === []];

        return new JsonResponse(
            [
                'samples' => $samples,
                'columns' => ['t_min', 'pressure_kpa', 'added_l', 'temp_c'],
                'summary' => $log->summary + ['thinned_to' => $kept->count() < $log->columns->count() ? $kept->count() : null],
            ] + $this->evidence($request, $samples, 60, $clock),
        );
    }

    /** Entries of a list out of a file that its step reads; nothing is recorded by it. */
    public function entries(TextFile $request): JsonResponse
    {
        $subject = $request->subject() ?? throw Refused::field('subject', Say::text('refused.whichSubject'));
        $line = $subject->line();
        $this->member($request, $line);
        $step = $subject->procedure()->step((string) $request->string('step'));
        $file = $step?->kind instanceof Entries ? $step->kind->file : null;
        if ($step === null || $file === null) {
            throw Refused::field('step', Say::text('refused.readsNoFile'));
        }
        ['entries' => $read, 'left_out' => $leftOut] = $file::read($request->text(), new CentreLine($line->centre_line));
        $entries = [];
        foreach ($read as $entry) {
            // What the step would refuse is said now, and not after it was entered.
            try {
                $entries[] = $step->normalise($entry);
            } catch (Refused $refused) {
                $at = $entry[$step->fields[0]->key] ?? '';
                $leftOut[] = "{$step->fields[0]->label} {$at}: {$refused->getMessage()}";
            }
        }

        return new JsonResponse(['entries' => $entries, 'left_out' => $leftOut]);
    }

    public function wrench(TextFile $request): JsonResponse
    {
        $subject = $request->subject();
        if ($subject !== null) {
            $this->member($request, $subject->line());
        }
        $zone = new \DateTimeZone($subject?->line()->project->time_zone ?? 'UTC');

        return new JsonResponse(['readings' => WrenchCsv::read($request->text(), $zone)]);
    }

    /**
     * Where it is said for which step of which work a file is: from when to when it goes there, and what speaks against it.
     *
     * @param  list<list<int|float>>  $samples
     * @param  float  $perColumn  s of one unit of their first column
     * @param  array{first: float, last: float, zoned: bool}|null  $clock  s since 1970 as the file's clock says
     * @return array<string, mixed>
     */
    private function evidence(TextFile $request, array $samples, float $perColumn, ?array $clock): array
    {
        $subject = $request->subject();
        if ($subject === null) {
            return [];
        }
        $this->member($request, $subject->line());
        $zone = new \DateTimeZone($subject->line()->project->time_zone);
        $at = fn (float $seconds): \DateTimeImmutable => $clock['zoned'] ?? false
            ? (new \DateTimeImmutable('@'.(int) $seconds))->setTimezone($zone)
            // The clock on the wall, which the file wrote down without its zone.
            : new \DateTimeImmutable(gmdate('Y-m-d H:i:s', (int) $seconds), $zone);
        [$first, $last] = $clock === null ? [null, null] : [$at($clock['first']), $at($clock['last'])];

        return [
            'first_at' => $first?->format('Y-m-d\TH:i:sP'),
            'last_at' => $last?->format('Y-m-d\TH:i:sP'),
            'doubts' => app(DoubtEvidence::class)($subject, (string) $request->string('step'), $samples, $perColumn, $first, $last),
        ];
    }

    public function csv(Request $request, Line $line, ExportRegister $export): StreamedResponse
    {
        $this->member($request, $line);

        return response()->streamDownload(fn () => $export->csv($line), $this->name($line, 'register.csv'), [
            'Content-Type' => 'text/csv; charset=utf-8',
        ]);
    }

    public function geoJson(Request $request, Line $line, ExportRegister $export): StreamedResponse
    {
        $this->member($request, $line);

        return response()->streamDownload(fn () => $export->geoJson($line), $this->name($line, 'line.geojson'), [
            'Content-Type' => 'application/geo+json',
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
