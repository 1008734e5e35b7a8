<?php

namespace App\Actions;

use App\Models\Joint;
use App\Models\Line;
use App\Models\PressureTest;
use App\Models\ProcedureText;
use App\Models\Section;
use App\Pack\TestPack;
use Diastoma\Core\Calendar;
use Diastoma\Core\Laying\CentreLine;
use Diastoma\Core\PressureTest\SectionPlan;

/** Everything that is known of a line, to hand over: table, CSV, GeoJSON. */
final class ExportRegister
{
    /** What stands there of every joint, before and after what its procedure tells. */
    private const FIRST = [
        'joint',
        'chainage_m',
        'easting',
        'northing',
        'level_m',
        'state',
        'verdict',
        'pipe_a',
        'pipe_b',
        'procedure',
        'procedure_version',
    ];

    /** How many joints are held in memory at a time. */
    private const AT_ONCE = 500;

    private const LAST = ['signed_by', 'sealed_utc', 'covered_utc', 'replaces', 'cut_out_reason', 'remark', 'practice'];

    /** @return array<string, mixed> */
    public function register(Line $line): array
    {
        $line->load(['joints.procedureText', 'sections.tests', 'procedureText']);
        $numbers = $line->joints->pluck('number', 'id');
        $centre = new CentreLine($line->centre_line);
        $told = $this->told($line);
        $seals = HoldSeals::of($line);

        return [
            'line' => $line->only(['id', 'name', 'service']) + ['practice' => $line->project->practice],
            'chain_broken' => $seals['broken'],
            'chain_mended' => $seals['anew'],
            'chain_held' => ['at' => $seals['held_at'], 'seals' => $seals['of'], 'waits' => $seals['waits']],
            'chain_head' => SealSubject::head($line),
            'columns' => $told,
            'joints' => $line->joints
                ->map(
                    fn (Joint $j) => ['id' => $j->id] +
                        $this->nested($this->row($line, $centre, $j, $numbers[$j->replaces_id] ?? '', $told), $told),
                )
                ->all(),
            'tests' => $line->sections
                ->flatMap(
                    fn (Section $s) => $s->tests->map(
                        fn (PressureTest $t) => [
                            'id' => $t->id,
                            'section' => $s->name,
                            'number' => $t->number,
                            'state' => $t->state,
                            'verdict' => $t->verdict,
                            'sealed_at' => $t->sealed_at?->toIso8601ZuluString(),
                            'headline' => $t->headline[0]['text'] ?? null,
                            'asked_kpa' => $t->asked_kpa,
                            'pack_is_long' => TestPack::isLong($s),
                        ],
                    ),
                )
                ->values()
                ->all(),
        ];
    }

    /**
     * Where a table is written to when it is asked for by a browser.
     *
     * @return resource
     */
    private static function output()
    {
        return fopen('php://output', 'w') ?: throw new \RuntimeException('No output');
    }

    /**
     * A few hundred joints at a time.
     *
     * @param  resource|null  $into  null: what is answered
     */
    public function csv(Line $line, $into = null): void
    {
        $out = $into ?? self::output();
        $told = $this->told($line);
        $columns = [...self::FIRST, ...array_keys($told), ...self::LAST];
        fputcsv($out, $columns, ';', '"', '');
        foreach ($this->rows($line, $told) as $row) {
            $cells = array_map(fn (string $column) => self::asText($row[$column]), $columns);
            fputcsv($out, $cells, ';', '"', '');
        }
    }

    /** A cell that begins like a formula must stay text in a spreadsheet. */
    private static function asText(mixed $cell): mixed
    {
        return \is_string($cell) && preg_match('/^[=+@-]/', $cell) === 1 && ! is_numeric($cell) ? "'{$cell}" : $cell;
    }

    /**
     * The line, its joints and its sections; a few hundred joints at a time.
     *
     * @param  resource|null  $into  null: what is answered
     */
    public function geoJson(Line $line, $into = null): void
    {
        $out = $into ?? self::output();
        $json = fn (mixed $value): string => json_encode($value, JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR);
        fwrite($out, '{"type":"FeatureCollection","name":'.$json($line->name).',"features":[');
        foreach ($this->features($line) as $i => $feature) {
            fwrite($out, ($i === 0 ? '' : ',').$json($feature));
        }
        fwrite($out, ']}');
    }

    /** @return \Generator<int, array<string, mixed>> */
    private function features(Line $line): \Generator
    {
        yield [
            'type' => 'Feature',
            'geometry' => ['type' => 'LineString', 'coordinates' => array_map(fn ($p) => [$p[1], $p[2], $p[3]], $line->centre_line)],
            'properties' => [
                'kind' => 'line',
                'name' => $line->name,
                'service' => $line->service,
                'practice' => $line->project->practice,
                'chainages' => array_column($line->centre_line, 0),
            ] + $line->pipe,
        ];
        $told = $this->told($line);
        foreach ($this->rows($line, $told) as $id => $row) {
            yield [
                'type' => 'Feature',
                'geometry' => ['type' => 'Point', 'coordinates' => [$row['easting'], $row['northing'], $row['level_m']]],
                'properties' => ['kind' => 'joint', 'id' => $id] + array_diff_key($row, $told) + array_intersect_key($row, $told),
            ];
        }
        $centre = new CentreLine($line->centre_line);
        foreach ($line->sections as $section) {
            $coordinates = array_map(
                fn ($c) => self::place($centre, $c),
                array_column(SectionPlan::profile($line->centre_line, $section->from_m, $section->to_m), 0),
            );
            yield [
                'type' => 'Feature',
                'geometry' => ['type' => 'LineString', 'coordinates' => $coordinates],
                'properties' => ['kind' => 'section'] + $section->only(['name', 'from_m', 'to_m']),
            ];
        }
    }

    /**
     * @param  array<string, string>  $told  column => label
     * @return \Generator<string, array<string, mixed>> id => what stands there of a joint
     */
    private function rows(Line $line, array $told): \Generator
    {
        $replaced = Joint::query()->where('line_id', $line->id)->whereNotNull('replaces_id')->distinct()->select('replaces_id');
        $numbers = Joint::query()->whereIn('id', $replaced)->pluck('number', 'id');
        $centre = new CentreLine($line->centre_line);
        $joints = Joint::query()
            ->with('procedureText')
            ->where('line_id', $line->id)
            ->orderBy('chainage_m')
            ->orderBy('number')
            ->orderBy('id');
        foreach ($joints->lazy(self::AT_ONCE) as $joint) {
            yield $joint->id => $this->row($line, $centre, $joint, $numbers[$joint->replaces_id] ?? '', $told);
        }
    }

    /**
     * @param  array<string, string>  $told  column => label
     * @return array<string, mixed>
     */
    private function row(Line $line, CentreLine $centre, Joint $joint, string $replaces, array $told): array
    {
        [$easting, $northing, $level] = self::place($centre, $joint->chainage_m);
        $procedure = $joint->procedureText ?? $line->procedureText;
        $clocks = array_combine(array_map(fn (string $name) => "{$name}_utc", array_keys($joint->clocks ?? [])), $joint->clocks ?? []);

        return array_combine(self::FIRST, [
            $joint->number,
            $joint->chainage_m,
            $easting,
            $northing,
            $level,
            $joint->pulled_apart ? 'pulled-apart' : $joint->state,
            $joint->verdict,
            $joint->pipes['a'] ?? '',
            $joint->pipes['b'] ?? '',
            $procedure->title,
            $procedure->version,
        ]) +
            array_map(
                fn (string $column) => $clocks[$column] ?? ($joint->register[$column] ?? ''),
                array_combine(array_keys($told), array_keys($told)),
            ) +
            array_combine(self::LAST, [
                $joint->signed_by ?? '',
                $joint->sealed_at?->toIso8601ZuluString() ?? '',
                $joint->covered_at === null ? '' : Calendar::utc(new \DateTimeImmutable($joint->covered_at)),
                $replaces,
                $joint->cut_out_reason ?? '',
                $joint->headline[0]['text'] ?? '',
                $line->project->practice ? 'yes' : '',
            ]);
    }

    /**
     * @param  array<string, mixed>  $row
     * @param  array<string, string>  $told
     * @return array<string, mixed> what a procedure tells by itself under one name
     */
    private function nested(array $row, array $told): array
    {
        return ['told' => (object) array_intersect_key($row, $told)] + array_diff_key($row, $told);
    }

    /** @return array<string, string> column => label, of all that the procedures of its joints tell */
    private function told(Line $line): array
    {
        $hashes = Joint::query()
            ->where('line_id', $line->id)
            ->distinct()
            ->pluck('procedure_hash')
            ->push($line->procedure_hash)
            ->filter()
            ->unique();
        $told = [];
        foreach (ProcedureText::query()->whereIn('hash', $hashes)->orderBy('key')->orderBy('version')->get() as $text) {
            $tells = $text->procedure()->tells;
            foreach ($tells->clocks as $clock) {
                $told["{$clock->name}_utc"] ??= $clock->label;
            }
            foreach ($tells->register as $column) {
                $told[$column->name] ??= $column->label;
            }
        }

        return $told;
    }

    /** @return array{float, float, float} easting, northing, level at a chainage, to the millimetre */
    private static function place(CentreLine $line, float $chainage): array
    {
        return array_map(fn (float $m) => round($m, 3), $line->at($chainage));
    }
}
