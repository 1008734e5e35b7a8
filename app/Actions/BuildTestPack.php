<?php

namespace App\Actions;

use App\Models\Fact;
use App\Models\PressureTest;
use App\Models\Seal;
use Diastoma\Core\Procedure\Judgement;
use Diastoma\Core\Units\Display;
use Diastoma\Core\Units\UnitSystem;
use Dompdf\Dompdf;
use Dompdf\Options;

/** The test pack as PDF: section and joints, plan, chart, readings, limits with sources, instruments, signatures. */
final class BuildTestPack
{
    public function __construct(private readonly PlanSection $plan)
    {
    }

    public function __invoke(PressureTest $test, UnitSystem $units): string
    {
        $section = $test->section;
        $line = $section->line;
        $zone = new \DateTimeZone($line->project->time_zone);
        $judgement = $test->judgement();
        $facts = $test->facts()->with('user')->get();
        $html = view('test-pack', [
            'test' => $test,
            'section' => $section,
            'line' => $line,
            'plan' => $this->plan->plan($section),
            'joints' => $this->plan->joints($section),
            'judgement' => $judgement->toArray($units, $zone),
            'parameters' => $judgement->procedure->parametersToArray(),
            'chart' => $this->course($judgement, $units),
            'facts' => $facts->filter(fn (Fact $f) => ! isset($f->value['samples'])),
            'seal' => Seal::query()->where('subject_id', $test->id)->first(),
            'chain' => SealSubject::broken($line),
            'show' => fn (string $key, ?float $value, ?int $decimals = null) => $value === null
                ? '–'
                : Display::value($key, $value, $decimals, $units),
        ])->render();
        $options = new Options;
        $options->setIsRemoteEnabled(false);
        $options->setDefaultFont('DejaVu Sans');
        $options->setTempDir(storage_path('app'));
        $options->setFontCache(storage_path('app'));
        $pdf = new Dompdf($options);
        $pdf->loadHtml($html);
        $pdf->setPaper('A4');
        $pdf->render();

        return (string) $pdf->output();
    }

    /** The step that its procedure has drawn as the course of a log. */
    private function course(Judgement $judgement, UnitSystem $units): ?string
    {
        foreach ($judgement->steps as $state) {
            if (($state->figure['shape'] ?? null) === 'log') {
                return $this->chart($state->fact->value['samples'] ?? [], $state->figure['marks'] ?? [], $units);
            }
        }

        return null;
    }

    /**
     * Pressure against time as SVG, phases as bands.
     *
     * @param  list<list<float>>  $samples
     * @param  array<string, mixed>  $marks
     */
    private function chart(array $samples, array $marks, UnitSystem $units): ?string
    {
        if (\count($samples) < 2) {
            return null;
        }
        [$w, $h, $left, $bottom] = [680, 260, 58, 30];
        $t0 = $samples[0][0];
        $t1 = $samples[\count($samples) - 1][0];
        $pMax = max(1.0, 1.08 * max([0.0, ...array_column($samples, 1)]));
        $x = fn (float $t) => round($left + ($w - $left - 8) * ($t - $t0) / ($t1 - $t0), 1);
        $y = fn (float $p) => round(8 + ($h - $bottom - 8) * (1 - $p / $pMax), 1);
        $svg = "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"{$w}\" height=\"{$h}\" viewBox=\"0 0 {$w} {$h}\">";
        $times = array_filter($marks, fn ($v, $k) => is_numeric($v) && str_ends_with($k, '_min'), ARRAY_FILTER_USE_BOTH);
        asort($times);
        $keys = array_keys($times);
        foreach ($keys as $i => $key) {
            $from = $x((float) $times[$key]);
            $to = isset($keys[$i + 1]) ? $x((float) $times[$keys[$i + 1]]) : $w - 8;
            $svg .= sprintf(
                '<rect x="%s" y="8" width="%s" height="%s" fill="%s"/>',
                $from,
                max(0, $to - $from),
                $h - $bottom - 8,
                $i % 2 === 0 ? '#efe8da' : '#f8f4ec',
            );
            $svg .= sprintf('<line x1="%s" y1="8" x2="%s" y2="%s" stroke="#b9ae9b" stroke-width="0.7"/>', $from, $from, $h - $bottom);
        }
        for ($k = 0; $k <= 4; $k++) {
            $p = (($pMax / 1.08) * $k) / 4;
            $svg .= sprintf(
                '<line x1="%d" y1="%s" x2="%d" y2="%s" stroke="#ddd4c4" stroke-width="0.6"/>'.
                    '<text x="%d" y="%s" font-size="9" text-anchor="end" fill="#4a423a">%s</text>',
                $left,
                $y($p),
                $w - 8,
                $y($p),
                $left - 4,
                $y($p) + 3,
                htmlspecialchars(Display::value('p_kpa', $p, 0, $units)),
            );
            $t = $t0 + (($t1 - $t0) * $k) / 4;
            $svg .= sprintf(
                '<text x="%s" y="%d" font-size="9" text-anchor="middle" fill="#4a423a">%d min</text>',
                $x($t),
                $h - 12,
                round($t),
            );
        }
        $every = max(1, intdiv(\count($samples), 900));
        $points = [];
        foreach ($samples as $i => $row) {
            if ($i % $every === 0 || $i === \count($samples) - 1) {
                $points[] = $x($row[0]).','.$y($row[1]);
            }
        }

        return $svg.'<polyline fill="none" stroke="#241d17" stroke-width="1.4" points="'.implode(' ', $points).'"/></svg>';
    }
}
