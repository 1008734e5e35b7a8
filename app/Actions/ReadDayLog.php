<?php

namespace App\Actions;

use App\Models\Fact;
use App\Models\Joint;
use App\Models\Line;
use App\Models\PressureTest;
use App\Models\Stretch;
use App\Models\Subject;

/** What was recorded last on a line, newest first. Pieces of one trace count once. */
final class ReadDayLog
{
    private const ENTRIES = 40;

    /** More facts are looked at than shown, because a trace comes in many pieces. */
    private const FACTS = 400;

    /** @return list<array{at: string, by: string, kind: string, id: string, name: string, title: string, again: bool}> */
    public function __invoke(Line $line): array
    {
        $tests = PressureTest::query()->whereIn('section_id', $line->sections()->select('id'));
        $facts = Fact::query()->with(['user', 'subject'])
            ->select(['seq', 'subject_type', 'subject_id', 'step', 'recorded_at', 'user_id', 'supersedes'])
            ->where(
                fn ($q) => $q
                    ->where(
                        fn ($w) => $w
                            ->where('subject_type', (new Joint)->getMorphClass())
                            ->whereIn('subject_id', Joint::query()->where('line_id', $line->id)->select('id')),
                    )
                    ->orWhere(
                        fn ($w) => $w
                            ->where('subject_type', (new PressureTest)->getMorphClass())
                            ->whereIn('subject_id', $tests->select('id')),
                    )
                    ->orWhere(
                        fn ($w) => $w
                            ->where('subject_type', (new Stretch)->getMorphClass())
                            ->whereIn('subject_id', $line->stretches()->select('id')),
                    ),
            )
            ->orderByDesc('seq')
            ->limit(self::FACTS)
            ->get()
            // What was recorded without network came later than it was done.
            ->sortByDesc(fn (Fact $f) => strtotime($f->recorded_at), SORT_NUMERIC)
            ->values();
        $facts->loadMorph('subject', [
            Joint::class => ['ofLine.project', 'ofLine.procedureText', 'procedureText'],
            PressureTest::class => ['section.line.project', 'section.method'],
            Stretch::class => ['ofLine.project', 'procedureText'],
        ]);
        $entries = [];
        $before = '';
        foreach ($facts as $fact) {
            $subject = $fact->subject;
            $same = "{$fact->subject_id}/{$fact->step}/".($fact->supersedes ?? '');
            if (! $subject instanceof Subject || $same === $before) {
                continue;
            }
            $before = $same;
            $entries[] = [
                'at' => $fact->recorded_at, 'by' => $fact->user->name, 'kind' => $subject->getMorphClass(), 'id' => $subject->id,
                'name' => $subject->name(), 'title' => $this->title($subject, $fact->step), 'again' => $fact->supersedes !== null,
            ];
            if (\count($entries) === self::ENTRIES) {
                break;
            }
        }

        return $entries;
    }

    private function title(Subject $subject, string $key): string
    {
        return $subject->procedure()->step($key)?->title($subject->context()) ?? $key;
    }
}
