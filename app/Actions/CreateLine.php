<?php

namespace App\Actions;

use App\Models\Line;
use App\Models\ProcedureText;
use App\Models\Project;
use App\Models\Section;
use App\Models\User;
use App\Support\Say;
use Diastoma\Core\Pipe\PipeSize;
use Diastoma\Core\PressureTest\SectionPlan;
use Diastoma\Core\Refused;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** A line with its planned joints, one at the end of each pipe length, and its sections. */
final class CreateLine
{
    public function __construct(private readonly PipeSize $sizes, private readonly PlanPipes $plan)
    {
    }

    /** @param  array<string, mixed>  $body */
    public function __invoke(Project $project, User $by, array $body): Line
    {
        $pipe = $this->sizes->of($body, $body['service']);
        $centreLine = self::centreLine($body['centre_line']);
        $procedure = ProcedureText::usableIn([$project->id])->where('family', 'joint')->find($body['procedure_hash'])
            ?? throw Refused::field('procedure_hash', Say::text('refused.chooseForJoints'));
        $procedure->mustSuit($pipe, $body['service'], 'procedure_hash');
        if ($body['mdp_bar'] < $body['design_bar']) {
            throw Refused::field(
                'mdp_bar',
                Say::text('refused.mdpBelowDesign', ['mdp' => $body['mdp_bar'], 'design' => $body['design_bar']]),
            );
        }

        return DB::transaction(function () use ($project, $by, $body, $pipe, $centreLine, $procedure): Line {
            $line = Line::query()->create([
                'id' => $body['id'] ?? (string) Str::uuid(),
                'project_id' => $project->id,
                'name' => $body['name'],
                'service' => $body['service'],
                'pipe' => $pipe,
                'design_bar' => $body['design_bar'],
                'mdp_bar' => $body['mdp_bar'],
                'pipe_length_m' => $body['pipe_length_m'],
                'procedure_hash' => $procedure->hash,
                'centre_line' => $centreLine,
                // What was recorded before work began is a slip of a clock; work that is put in afterwards says its day.
                'begun_on' => $body['begun_on'] ?? now($project->time_zone)->format('Y-m-d'),
                'created_by' => $by->id,
            ]);
            ($this->plan)($line->setRelation('procedureText', $procedure), PlanPipes::evenly($line, $centreLine[0][0]));
            foreach ($body['sections'] ?? [] as $section) {
                self::addSection($line, $section);
            }

            return $line;
        });
    }

    /** @param  array<string, mixed>  $body */
    public static function addSection(Line $line, array $body): Section
    {
        SectionPlan::profile($line->centre_line, (float) $body['from_m'], (float) $body['to_m']);
        $section = self::planned($line, $body);
        $section->method->mustSuit($line->pipe, $line->service, 'method_hash');
        $section->save();

        return $section;
    }

    /**
     * A section as it is asked for; not kept.
     *
     * @param  array<string, mixed>  $body
     */
    public static function planned(Line $line, array $body): Section
    {
        $method = ProcedureText::usableIn([$line->project_id])->where('family', 'test')->find($body['method_hash'])
            ?? throw Refused::field('method_hash', Say::text('refused.chooseMethod'));
        $section = new Section([
            'line_id' => $line->id,
            'name' => $body['name'],
            'from_m' => $body['from_m'],
            'to_m' => $body['to_m'],
            'method_hash' => $method->hash,
            'ask' => self::ask($body),
        ]);

        return $section->setRelation('line', $line)->setRelation('method', $method);
    }

    /**
     * What is asked of a section; what was not said is what is usual.
     *
     * @param  array<string, mixed>  $body
     * @return array<string, mixed>
     */
    public static function ask(array $body): array
    {
        return [
            'gauge_m' => $body['gauge_m'] ?? $body['from_m'],
            'stp_method' => $body['stp_method'] ?? 'en805-surge-calculated',
            'water_c' => $body['water_c'] ?? 12,
            'fill_l_s' => $body['fill_l_s'] ?? 5,
            'pipe_max_bar' => $body['pipe_max_bar'] ?? null,
            'factor' => $body['factor'] ?? null,
        ];
    }

    /**
     * @param  list<mixed>  $points
     * @return non-empty-list<array{float, float, float, float}>
     */
    public static function centreLine(array $points): array
    {
        $line = [];
        foreach ($points as $i => $point) {
            $row = array_map(fn ($v) => is_numeric($v) ? round((float) $v, 4) : null, array_values((array) $point));
            if (\count($row) !== 4 || \in_array(null, $row, true)) {
                throw Refused::field(
                    'centre_line',
                    Say::text('refused.pointWants', ['n' => $i + 1]),
                );
            }
            if ($i > 0 && $row[0] <= $line[$i - 1][0]) {
                throw Refused::field(
                    'centre_line',
                    Say::text('refused.chainageMustGrow', ['n' => $i + 1, 'at' => $row[0], 'before' => $line[$i - 1][0]]),
                );
            }
            $line[] = [(float) $row[0], (float) $row[1], (float) $row[2], (float) $row[3]];
        }
        if (\count($line) < 2) {
            throw Refused::field('centre_line', Say::text('refused.twoPoints'));
        }
        if ($line[\count($line) - 1][0] - $line[0][0] > 200000) {
            throw Refused::field('centre_line', Say::text('refused.lineTooLong'));
        }

        return $line;
    }
}
