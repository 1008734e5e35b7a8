<?php

namespace App\Programme;

use App\Models\Fact;
use App\Models\Line;
use App\Models\PressureTest;
use App\Models\Section;
use Diastoma\Core\Programme\ActTime;
use Diastoma\Core\Round\Median;

/** How long a test takes with all that belongs to it, fill and release among it: as it was typed, or as the crew's own tests took. */
final class TestTime
{
    private const ACT = 'test';

    private const MINUTE = 60;

    /** So many of the last tests of the method tell. */
    private const LAST = 8;

    public function __invoke(Line $line, ?Section $section, DayAsked $asked): ActTime
    {
        $took = $section === null ? [] : $this->took($line, $section->method_hash);
        $own = $took === [] ? [] : ['test_min' => Median::of($took), 'test_joints' => \count($took)];

        return ActTime::best(self::ACT, $asked->typed(self::ACT), null, $own);
    }

    /**
     * One that failed may have been broken off early, and tells nothing.
     *
     * @return list<float> minutes from the first entry to the last, of tests by this method that were passed and signed
     */
    private function took(Line $line, ?string $method): array
    {
        $tests = PressureTest::query()->whereNotNull('sealed_at')->whereIn('verdict', ['good', 'close'])
            ->whereHas('section', fn ($section) => $section->where('method_hash', $method)
                ->whereHas('line', fn ($of) => $of->where('project_id', $line->project_id)))
            ->orderByDesc('sealed_at')->limit(self::LAST)->pluck('id');
        $at = Fact::query()->where('subject_type', (new PressureTest)->getMorphClass())->whereIn('subject_id', $tests)
            ->whereNull('supersedes')->get(['subject_id', 'recorded_at'])->groupBy('subject_id');

        return array_values($at->map(function ($facts): float {
            $moments = $facts->map(fn (Fact $fact): int => (new \DateTimeImmutable($fact->recorded_at))->getTimestamp());

            return ($moments->max() - $moments->min()) / self::MINUTE;
        })->filter(fn (float $min): bool => $min > 0.0)->all());
    }
}
