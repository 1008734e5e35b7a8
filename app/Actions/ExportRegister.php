<?php

namespace App\Actions;

use App\Models\Fact;
use App\Models\Joint;
use App\Models\Line;
use App\Models\PressureTest;
use App\Models\Section;
use Diastoma\Core\Laying\CentreLine;
use Diastoma\Core\PressureTest\SectionPlan;

/** Everything that is known of a line, to hand over: table, CSV, GeoJSON. */
final class ExportRegister
{
    private const COLUMNS = ['joint', 'chainage_m', 'easting', 'northing', 'level_m', 'state', 'verdict', 'pipe_a', 'pipe_b', 'procedure', 'procedure_version', 'clamps_off_utc', 'test_from_utc', 'fitting_serial', 'joiner', 'signed_by', 'sealed_utc', 'replaces', 'cut_out_reason', 'remark'];

    /** @return array<string, mixed> */
    public function register(Line $line): array
    {
        $line->load(['joints.procedureText', 'sections.tests', 'procedureText']);
        $numbers = $line->joints->pluck('number', 'id');
        $facts = $this->factsByJoint($line);
        $centre = new CentreLine($line->centre_line);

        return [
            'line' => $line->only(['id', 'name', 'service']), 'chain_broken' => SealSubject::broken($line),
            'joints' => $line->joints->map(fn (Joint $j) => ['id' => $j->id] + $this->row($line, $centre, $j, $numbers[$j->replaces_id] ?? '', $facts[$j->id] ?? []))->all(),
            'tests' => $line->sections->flatMap(fn (Section $s) => $s->tests->map(fn (PressureTest $t) => ['id' => $t->id, 'section' => $s->name, 'number' => $t->number, 'state' => $t->state, 'verdict' => $t->verdict, 'sealed_at' => $t->sealed_at?->toIso8601ZuluString(), 'headline' => $t->headline[0]['text'] ?? null]))->values()->all(),
        ];
    }

    /** Streams to the output, a few hundred joints at a time. */
    public function csv(Line $line): void
    {
        $out = fopen('php://output', 'w') ?: throw new \RuntimeException('No output');
        fputcsv($out, self::COLUMNS, ';', '"', '');
        $numbers = Joint::query()->where('line_id', $line->id)->pluck('number', 'id');
        $facts = $this->factsByJoint($line);
        $centre = new CentreLine($line->centre_line);
        Joint::query()->with('procedureText')->where('line_id', $line->id)->orderBy('chainage_m')->orderBy('number')->chunk(500, function ($joints) use ($out, $line, $centre, $numbers, $facts): void {
            foreach ($joints as $joint) {
                $row = $this->row($line, $centre, $joint, $numbers[$joint->replaces_id] ?? '', $facts[$joint->id] ?? []);
                // A cell that begins like a formula must stay text in a spreadsheet.
                fputcsv($out, array_map(fn ($c) => is_string($row[$c]) && preg_match('/^[=+@-]/', $row[$c]) === 1 && ! is_numeric($row[$c]) ? "'".$row[$c] : $row[$c], self::COLUMNS), ';', '"', '');
            }
        });
        fclose($out);
    }

    public function geoJson(Line $line): string
    {
        $features = [[
            'type' => 'Feature', 'geometry' => ['type' => 'LineString', 'coordinates' => array_map(fn ($p) => [$p[1], $p[2], $p[3]], $line->centre_line)],
            'properties' => ['kind' => 'line', 'name' => $line->name, 'service' => $line->service, 'chainages' => array_column($line->centre_line, 0)] + $line->pipe,
        ]];
        $register = $this->register($line);
        $centre = new CentreLine($line->centre_line);
        foreach ($register['joints'] as $row) {
            $features[] = ['type' => 'Feature', 'geometry' => ['type' => 'Point', 'coordinates' => [$row['easting'], $row['northing'], $row['level_m']]], 'properties' => ['kind' => 'joint'] + $row];
        }
        foreach ($line->sections as $section) {
            $coordinates = array_map(fn ($c) => self::place($centre, $c), array_column(SectionPlan::profile($line->centre_line, $section->from_m, $section->to_m), 0));
            $features[] = ['type' => 'Feature', 'geometry' => ['type' => 'LineString', 'coordinates' => $coordinates], 'properties' => ['kind' => 'section'] + $section->only(['name', 'from_m', 'to_m'])];
        }

        return json_encode(['type' => 'FeatureCollection', 'name' => $line->name, 'features' => $features], JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR);
    }

    /**
     * @param  list<Fact>  $facts
     * @return array<string, mixed>
     */
    private function row(Line $line, CentreLine $centre, Joint $joint, string $replaces, array $facts): array
    {
        [$easting, $northing, $level] = self::place($centre, $joint->chainage_m);
        $latest = array_column($facts, null, 'step');
        $of = fn (string $step): ?Fact => $latest[$step] ?? null;
        $signed = $of('accept');

        return array_combine(self::COLUMNS, [
            $joint->number, $joint->chainage_m, $easting, $northing, $level, $joint->state, $joint->verdict, $joint->pipes['a'] ?? '', $joint->pipes['b'] ?? '',
            ($joint->procedureText ?? $line->procedureText)->title, ($joint->procedureText ?? $line->procedureText)->version, $joint->clocks['clamps_off'] ?? '', $joint->clocks['test_from'] ?? '',
            $of('code')->value['serial'] ?? '', $of('pipes')?->user->name ?? '', ($signed->value['signed'] ?? false) === true ? $signed->user->name : '',
            $joint->sealed_at?->toIso8601ZuluString() ?? '', $replaces, $joint->cut_out_reason ?? '', $joint->headline[0]['text'] ?? '',
        ]);
    }

    /** @return array{float, float, float} easting, northing, level at a chainage, to the millimetre */
    private static function place(CentreLine $line, float $chainage): array
    {
        return array_map(fn (float $m) => round($m, 3), $line->at($chainage));
    }

    /** @return array<string, list<Fact>> the few facts that the register shows, by joint */
    private function factsByJoint(Line $line): array
    {
        $facts = Fact::query()->where('subject_type', 'joint')->whereIn('step', ['code', 'pipes', 'accept'])
            ->whereIn('subject_id', Joint::query()->where('line_id', $line->id)->select('id'))->with('user')->orderBy('seq')->get();
        $by = [];
        foreach ($facts as $fact) {
            $by[$fact->subject_id][] = $fact;
        }

        return $by;
    }
}
