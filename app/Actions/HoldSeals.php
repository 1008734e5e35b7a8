<?php

namespace App\Actions;

use App\Models\Examination;
use App\Models\Line;
use Illuminate\Support\Carbon;

/**
 * Whether the seals of a line hold, for who looks at it now. Those of a short line are held against the record at once; of a long
 * one that takes minutes, so it is done beside the server, and what is said is how they held then, and when that was.
 *
 * @phpstan-type Held array{broken: list<string>, anew: list<string>, held_at: string|null, of: int, waits: bool}
 */
final class HoldSeals
{
    /** More seals than this are not held while somebody waits. */
    public const AT_ONCE = 400;

    /** Looked at again after this, though no seal was set: what stands under them may have been changed. */
    private const OLD_MIN = 15;

    /**
     * @return Held held_at: null as it stands at this moment, or, where it waits, never yet; of: how many seals it says that of
     */
    public static function of(Line $line): array
    {
        $head = SealSubject::head($line);
        $seals = $head['seals'] ?? 0;
        if ($seals <= self::AT_ONCE) {
            return self::allOf($line);
        }
        $kept = Examination::query()->find($line->id);
        $last = $kept?->isGenuine() === true ? $kept : null;
        $isOld = $last?->held_at === null || $last->held_at->lt(now()->subMinutes(self::OLD_MIN)) || $last->head !== $head['hash'];
        if ($isOld && $kept?->asked_at === null) {
            Examination::query()->updateOrCreate(['line_id' => $line->id], ['asked_at' => now(), 'beat_at' => null]);
        }

        return [
            'broken' => $last->broken ?? [],
            'anew' => $last->anew ?? [],
            'held_at' => $last?->held_at?->toIso8601ZuluString(),
            'of' => $last->seals ?? 0,
            'waits' => $isOld,
        ];
    }

    /**
     * All of them as they stand at this moment, however long it takes, and nothing is written down: for who reads the database as
     * it stood once.
     *
     * @return Held
     */
    public static function allOf(Line $line): array
    {
        ['broken' => $broken, 'anew' => $anew] = ExamineSeals::of($line);

        return ['broken' => $broken, 'anew' => $anew, 'held_at' => null, 'of' => SealSubject::head($line)['seals'] ?? 0, 'waits' => false];
    }

    /** All of them, however long it takes; what is said of a long line from then on. @return list<string> what is broken */
    public static function now(Line $line, ?Carbon $asOf = null, ?string $connection = null): array
    {
        $head = SealSubject::head($line);
        ['broken' => $broken, 'anew' => $anew] = ExamineSeals::of($line, readsPhotos: true);
        if (($head['seals'] ?? 0) > self::AT_ONCE) {
            $says = [
                'held_at' => $asOf ?? now(), 'seals' => $head['seals'] ?? 0, 'head' => $head['hash'] ?? '',
                'broken' => $broken, 'anew' => $anew,
            ];
            Examination::on($connection)->updateOrCreate(
                ['line_id' => $line->id],
                $says + ['proof' => Examination::proofOf($line->id, $says), 'asked_at' => null, 'beat_at' => null],
            );
        }

        return $broken;
    }
}
