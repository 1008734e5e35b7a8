<?php

namespace App\Actions;

use App\Models\Fact;
use App\Models\Seal;
use App\Models\Subject;

/**
 * All that a joint, a test or a stretch was judged by, as open data: the text of its procedure, what was known of the place, and
 * every fact as it was recorded. `bin/diastoma judge FILE` comes to the same verdict, without the application and its database.
 */
final class ExportSubject
{
    public const FORMAT = 'diastoma-record-1';

    /** @return array<string, mixed> */
    public function __invoke(Subject $subject, \DateTimeImmutable $now): array
    {
        $line = $subject->line();
        $procedure = $subject->procedure();

        return [
            'format' => self::FORMAT,
            'name' => $subject->name(),
            'line_name' => $line->name,
            'project' => $line->project->name,
            'practice' => $line->project->practice,
            'verdict' => $subject->judgement($now)->verdict->value,
            'seal' => Seal::query()->where('subject_id', $subject->id)->value('hash'),
            'now' => $now->format('Y-m-d\TH:i:s.uP'),
            'procedure' => $procedure->text,
            'frozen' => $procedure->hash,
            'line' => $subject->context() + ['time_zone' => $line->project->time_zone],
            'facts' => array_values($subject->recorded()->map(fn (Fact $fact) => [
                'id' => $fact->id,
                'step' => $fact->step,
                'value' => $fact->value === [] ? new \stdClass : $fact->value,
                'at' => $fact->recorded_at,
                'by' => $fact->by,
                'role' => $fact->role,
                'supersedes' => $fact->supersedes,
                'reason' => $fact->reason,
            ])->all()),
        ];
    }
}
