<?php

namespace App\Actions;

use App\Models\Fact;
use App\Models\Line;
use App\Models\Seal;
use App\Models\Subject;
use App\Models\User;
use App\Support\Say;
use Diastoma\Core\Procedure\Judgement;
use Diastoma\Core\Procedure\Procedure;
use Illuminate\Database\Eloquent\Collection;

/** Seals a subject: a hash over its facts, chained to the seal before it on the line, so that a later change shows. */
final class SealSubject
{
    /** How many seals are held against their facts at a time. */
    private const AT_ONCE = 500;

    public function __invoke(Subject $subject, Judgement $judgement, User $by): void
    {
        // One signature after the other on a line: each locks it, and reads the last seal as it is now.
        $line = Line::query()->lockForUpdate()->findOrFail($subject->line()->id);
        $previous = Seal::query()->where('line_id', $line->id)->orderByDesc('seq')->lockForUpdate()->value('hash') ?? str_repeat('0', 64);
        $at = now()->format('Y-m-d H:i:s.v');
        $factsHash = self::factsHash($subject);
        Seal::query()->create([
            'line_id' => $line->id, 'subject_type' => $subject->getMorphClass(), 'subject_id' => $subject->id,
            'facts_hash' => $factsHash, 'procedure_hash' => $subject->procedure()->hash, 'verdict' => $judgement->verdict->value,
            'previous' => $previous, 'user_id' => $by->id, 'sealed_at' => $at,
            'hash' => Seal::hashOf($previous, $factsHash, $subject->procedure()->hash, $judgement->verdict->value, $at),
        ]);
        $subject->update(['sealed_at' => now()]);
    }

    /** @return list<string> what does not fit any more, empty when the chain holds */
    public static function broken(Line $line): array
    {
        $broken = [];
        $previous = str_repeat('0', 64);
        $ofLine = Seal::query()->where('line_id', $line->id)->orderBy('seq');
        $ofLine->chunk(self::AT_ONCE, function (Collection $seals) use (&$broken, &$previous): void {
            $hashes = self::factsHashes($seals->pluck('subject_type')->unique()->all(), $seals->pluck('subject_id')->all());
            foreach ($seals as $seal) {
                $own = Seal::hashOf($seal->previous, $seal->facts_hash, $seal->procedure_hash, $seal->verdict, $seal->sealed_at);
                if ($seal->previous !== $previous || $seal->hash !== $own) {
                    $broken[] = Say::text('pack.sealDoesNotFollow', ['seq' => $seal->seq]);
                }
                if (($hashes[$seal->subject_id] ?? self::hash([])) !== $seal->facts_hash) {
                    $broken[] = Say::text('pack.factsDiffer', ['seq' => $seal->seq]);
                }
                $previous = $seal->hash;
            }
        });

        return $broken;
    }

    private static function factsHash(Subject $subject): string
    {
        return self::factsHashes([$subject->getMorphClass()], [$subject->id])[$subject->id] ?? self::hash([]);
    }

    /**
     * @param  array<string>  $types  of the subjects
     * @param  array<string>  $subjects  ids
     * @return array<string, string> id => hash over all its facts, in the order in which they were stored
     */
    private static function factsHashes(array $types, array $subjects): array
    {
        $facts = [];
        $recorded = Fact::query()
            ->whereIn('subject_type', $types)
            ->whereIn('subject_id', $subjects)
            ->orderBy('subject_type')
            ->orderBy('subject_id')
            ->orderBy('seq');
        foreach ($recorded->cursor() as $f) {
            $facts[$f->subject_id][] = [
                $f->id, $f->step, $f->value, $f->typed, $f->recorded_at, $f->user_id, $f->role, $f->supersedes, $f->reason,
            ];
        }

        return array_map(self::hash(...), $facts);
    }

    /** @param  list<mixed>  $facts */
    private static function hash(array $facts): string
    {
        return hash('sha256', Procedure::canonical($facts));
    }
}
