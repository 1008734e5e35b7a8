<?php

namespace App\Actions;

use App\Models\EvidenceFile;
use App\Models\Fact;
use App\Models\PressureTest;
use App\Models\Subject;
use Diastoma\Core\Procedure\Evidence;

/** What speaks against a file of readings as evidence of this work: said before it is stored. */
final class DoubtEvidence
{
    public function __construct(private readonly PlanSection $plan)
    {
    }

    /**
     * @param  list<list<int|float>>  $samples
     * @param  float  $perColumn  s of one unit of their first column
     * @return list<string>
     */
    public function __invoke(
        Subject $subject,
        string $step,
        array $samples,
        float $perColumn,
        ?\DateTimeImmutable $first,
        ?\DateTimeImmutable $last,
    ): array {
        $lasts = $samples === [] ? 0.0 : ($samples[\count($samples) - 1][0] - $samples[0][0]) * $perColumn;
        $device = $subject->judgement()->steps[$step]->device ?? null;

        return (new Evidence($first, $last, $lasts))->doubts(
            new \DateTimeImmutable(),
            $this->earliest($subject),
            $subject instanceof PressureTest ? $this->latestJoint($subject) : null,
            is_numeric($device['t_s'] ?? null) ? (float) $device['t_s'] : null,
            $this->usedAt($subject, EvidenceFile::hashOf($samples)),
        );
    }

    private function earliest(Subject $subject): ?\DateTimeImmutable
    {
        $times = $subject->recorded()->map(fn (Fact $f) => new \DateTimeImmutable($f->recorded_at))->sort();

        return $times->first();
    }

    /** @return array{name: string, at: \DateTimeImmutable}|null the joint of the section that was worked at last, signatures not counted */
    private function latestJoint(PressureTest $test): ?array
    {
        $joints = $this->plan->joints($test->section);
        $fact = Fact::query()
            ->where('subject_type', 'joint')
            ->whereIn('subject_id', $joints->modelKeys())
            ->whereNull('value->signed')
            ->orderByDesc('seq')
            ->first();

        return $fact === null
            ? null
            : [
                'name' => $joints->findOrFail($fact->subject_id)->name(),
                'at' => new \DateTimeImmutable($fact->recorded_at),
            ];
    }

    /** @return list<string> names of joints and tests of the same project */
    private function usedAt(Subject $subject, string $hash): array
    {
        $found = EvidenceFile::query()
            ->where('readings_hash', $hash)
            ->where('subject_id', '!=', $subject->getKey())
            ->with('subject')
            ->get()
            ->map(fn (EvidenceFile $e) => $e->subject)
            ->filter(fn ($s) => $s instanceof Subject && $s->line()->project_id === $subject->line()->project_id)
            ->map(fn (Subject $s) => "{$s->name()} of {$s->line()->name}")
            ->all();

        return array_values($found);
    }
}
