<?php

namespace App\Actions;

use App\Models\ProcedureText;
use Diastoma\Core\Calculation\Registry;
use Diastoma\Core\Pipe\PipeSize;
use Diastoma\Core\PressureTest\Medium;
use Diastoma\Core\PressureTest\SectionPlan;
use Diastoma\Core\Procedure\Procedure;
use Diastoma\Core\Refused;

/**
 * What a line would be, while it is being made: its length, pipes and joints, and what each section asks for. Nothing is kept.
 *
 * @phpstan-import-type Run from SectionPlan
 * @phpstan-import-type Ask from SectionPlan
 */
final class PreviewLine
{
    /** Shorter than this is no pipe more. */
    private const NOTHING_M = 0.01;

    /** Lengths in which pipes are sold, m, and 20 and 40 ft: what another one would cost. */
    private const SOLD_M = [6, 6.096, 12, 12.192, 18];

    public function __construct(private readonly PipeSize $sizes, private readonly Registry $registry)
    {
    }

    /**
     * @param  array<string, mixed>  $body
     * @return array<string, mixed>
     *
     * @throws Refused where pipe or centre line are not yet what they can be
     */
    public function __invoke(array $body): array
    {
        $pipe = $this->sizes->of($body, $body['service']);
        $centre = CreateLine::centreLine($body['centre_line']);
        $start = $centre[0][0];
        $length = $centre[\count($centre) - 1][0] - $start;
        $each = (float) $body['pipe_length_m'];
        $pipes = self::pipes($length, $each);

        return [
            'length_m' => $length,
            'start_m' => $start,
            'pipes' => $pipes,
            'last_pipe_m' => round($length - ($pipes - 1) * $each, 3),
            'joints' => array_map(fn (int $n) => round($start + $n * $each, 3), $pipes > 1 ? range(1, $pipes - 1) : []),
            'size' => $pipe['size'],
            'od_mm' => $pipe['od_mm'],
            'wall_mm' => $pipe['wall_mm'],
            'other_lengths' => array_map(
                fn (float $other) => ['pipe_length_m' => $other, 'joints' => self::pipes($length, $other) - 1],
                self::others($each),
            ),
            'centre_line' => $centre,
            'sections' => array_map(
                fn (array $section) => $this->section($section, $centre, $pipe, $body),
                array_values($body['sections'] ?? []),
            ),
        ];
    }

    /** As long as none is chosen, the pressure comes from the plan. */
    private static function method(?string $hash, int $project): ?Procedure
    {
        return $hash === null ? null : ProcedureText::usableIn([$project])->where('family', 'test')->find($hash)?->procedure();
    }

    private static function pipes(float $length, float $each): int
    {
        return max(1, (int) ceil(($length - self::NOTHING_M) / $each));
    }

    /** @return list<float> lengths in which pipes are sold where this one is: whole metres, or 20 and 40 ft */
    private static function others(float $each): array
    {
        $isFeet = abs($each / 0.3048 - round($each / 0.3048)) < 1e-6 && abs($each - round($each)) > 1e-6;

        return array_values(array_filter(
            array_map(floatval(...), self::SOLD_M),
            fn (float $m) => abs($m - $each) > 1e-6 && $isFeet === (abs($m - round($m)) > 1e-6),
        ));
    }

    /**
     * @param  array<string, mixed>  $section
     * @param  non-empty-list<array{float, float, float, float}>  $centre
     * @param  array<string, mixed>  $pipe
     * @param  array<string, mixed>  $body  of the line
     * @return array{name: string, plan: array<string, mixed>|null, fault: string|null}
     */
    private function section(array $section, array $centre, array $pipe, array $body): array
    {
        $name = (string) ($section['name'] ?? '');
        if (! isset($section['from_m'], $section['to_m'])) {
            return ['name' => $name, 'plan' => null, 'fault' => null];
        }
        try {
            $ends = ['from_m' => (float) $section['from_m'], 'to_m' => (float) $section['to_m']];
            /** @var Ask $ask */
            $ask = $ends + ['mdp_bar' => (float) $body['mdp_bar']] + CreateLine::ask($section);
            /** @var non-empty-list<Run> $runs */
            $runs = [['length_m' => $ask['to_m'] - $ask['from_m']] + $pipe];
            // No joint of it is made yet: what is missing is not said.
            $method = self::method($section['method_hash'] ?? null, (int) $body['project_id']);
            $plan = (new SectionPlan($this->registry))->plan(
                $centre, $runs, $ask, [], $method->medium ?? Medium::Water, $method?->asks(PlanSection::AT_GAUGE) ?? true,
            );

            $standing = ['missing' => [], 'verdict' => $plan['gauge']['feasible'] ? 'open' : 'bad'];

            return ['name' => $name, 'plan' => $standing + $plan, 'fault' => null];
        } catch (Refused $refused) {
            return ['name' => $name, 'plan' => null, 'fault' => $refused->getMessage()];
        }
    }
}
