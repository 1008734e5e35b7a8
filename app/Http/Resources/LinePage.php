<?php

namespace App\Http\Resources;

use App\Actions\ChangesOfLine;
use App\Models\Joint;
use App\Models\Line;
use App\Models\Section;
use App\Models\User;
use Illuminate\Support\Carbon;

/**
 * A line with all that its page draws: joints, sections and stretches as rows.
 *
 * @phpstan-import-type Changed from ChangesOfLine
 */
final class LinePage
{
    /** @return array<string, mixed> */
    public static function of(Line $line, User $reader): array
    {
        $line->load(['project', 'joints.procedureText', 'sections.tests', 'sections.method', 'stretches.procedureText', 'procedureText']);
        $line->joints->each(fn (Joint $j) => $j->setRelation('ofLine', $line));
        // What comes next is said of these alone, and names their pipes.
        Joint::readPipes($line, $line->joints->where('state', 'begun'));

        return self::head($line) + [
            'time_zone' => $line->project->time_zone,
            'project_id' => $line->project_id,
            'role' => $reader->roleOn($line->project_id)?->value,
            'design_bar' => $line->design_bar,
            'mdp_bar' => $line->mdp_bar,
            'pipe_length_m' => $line->pipe_length_m,
            'centre_line' => $line->centre_line,
            'procedure' => $line->procedureText->only(['hash', 'title', 'key', 'version']),
            'joints' => $line->joints->map(LineRow::joint(...))->all(),
            'sections' => $line->sections->map(self::section(...))->all(),
            'stretches' => $line->stretches->map(LineRow::stretch(...))->all(),
            'changes' => array_map(self::change(...), (new ChangesOfLine($line))->all()),
        ];
    }

    /** @return array<string, mixed> what every list of lines says of one */
    public static function head(Line $line): array
    {
        return [
            'id' => $line->id,
            'name' => $line->name,
            'service' => $line->service,
            'project' => $line->project->name,
            'practice' => $line->project->practice,
            'pipe' => $line->pipe,
            'length_m' => $line->length(),
            'start_m' => $line->centre_line[0][0],
            'archived' => $line->archived_at !== null,
        ];
    }

    /**
     * @param  Changed  $changed
     * @return array<string, mixed>
     */
    private static function change(array $changed): array
    {
        return [
            'at' => Carbon::parse($changed['at'], 'UTC')->toIso8601ZuluString(), 'by' => $changed['by'], 'reason' => $changed['reason'],
            'said' => ChangesOfLine::said($changed),
        ];
    }

    /** @return array<string, mixed> */
    private static function section(Section $s): array
    {
        return [
            'id' => $s->id,
            'name' => $s->name,
            'from_m' => $s->from_m,
            'to_m' => $s->to_m,
            'method' => $s->method->title,
            'tests' => $s->tests->map(LineRow::test(...))->all(),
        ];
    }
}
