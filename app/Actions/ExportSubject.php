<?php

namespace App\Actions;

use App\Models\Fact;
use App\Models\Seal;
use App\Models\Subject;
use Diastoma\Core\Seal\Statement;

/**
 * All that a joint, a test or a stretch was judged by, as open data: the text of its procedure, what was known of the place, and
 * every fact as it was recorded. `bin/diastoma judge FILE` comes to the same verdict, without the application and its database.
 */
final class ExportSubject
{
    public const FORMAT = 'diastoma-record-2';

    /** @return array<string, mixed> */
    public function __invoke(Subject $subject, \DateTimeImmutable $now): array
    {
        $line = $subject->line();
        $procedure = $subject->procedure();
        $seal = Seal::query()->where('subject_id', $subject->id)->first();
        // What is sealed is given out with what was known when it was.
        $known = Statement::read((string) $seal?->statement)?->says['judged_with'] ?? $subject->context();

        return [
            'format' => self::FORMAT,
            'name' => $subject->name(),
            'line_name' => $line->name,
            'project' => $line->project->name,
            'practice' => $line->project->practice,
            'verdict' => $subject->judgement($now)->verdict->value,
            'seal' => $seal?->only(['hash', 'previous', 'statement', 'signature', 'public_key']),
            'now' => $now->format('Y-m-d\TH:i:s.uP'),
            'procedure' => $procedure->text,
            'frozen' => $procedure->hash,
            'line' => $known + ['time_zone' => $line->project->time_zone],
            'facts' => array_values($subject->recorded()->map(fn (Fact $fact) => self::asObjects($fact->stated()))->all()),
        ];
    }

    /**
     * What is empty stays an object.
     *
     * @param  array<string, mixed>  $fact
     * @return array<string, mixed>
     */
    private static function asObjects(array $fact): array
    {
        return array_map(fn (mixed $one) => $one === [] ? new \stdClass : $one, $fact);
    }
}
