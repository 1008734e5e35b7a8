<?php

namespace App\Actions;

use App\Models\Fact;
use App\Models\Line;
use App\Models\Seal;
use App\Support\Say;
use Diastoma\Core\Procedure\Procedure;
use Diastoma\Core\Seal\KeyRing;
use Diastoma\Core\Seal\Statement;
use Illuminate\Database\Eloquent\Collection;

/**
 * Holds the seals of a line against what stands in the database now. What does not fit is broken; where an engineer has
 * sealed a broken place anew, as it stands and with a reason, it is mended: said all the same, and broken again by the next
 * change.
 *
 * @phpstan-import-type Sealed from StateSeals
 *
 * @phpstan-type Break array{seq: int, found: list<string>, now: string}
 */
final class ExamineSeals
{
    /** How many seals are held against what stands in the database at a time. */
    private const AT_ONCE = 500;

    /**
     * @param  bool  $readsPhotos  by their bytes, which takes long
     * @return list<string> what does not fit any more, empty when the chain holds
     */
    public static function broken(Line $line, bool $readsPhotos = false): array
    {
        return self::of($line, $readsPhotos)['broken'];
    }

    /** @return array{broken: list<string>, anew: list<string>, breaks: list<Break>} breaks: what a new seal would mend */
    public static function of(Line $line, bool $readsPhotos = false): array
    {
        [$breaks, $anew] = self::breaks($line, $readsPhotos);
        $repaired = array_map(Procedure::canonical(...), $anew['repairs']);
        $isMended = fn (array $break): bool => \in_array(Procedure::canonical($break), $repaired, true);
        $mended = array_values(array_filter($breaks, $isMended));
        $standing = array_values(array_filter($breaks, fn (array $break) => ! $isMended($break)));

        return [
            'broken' => array_merge(...array_column($standing, 'found')),
            'anew' => $mended === [] ? [] : [...$anew['says'], ...array_merge(...array_column($mended, 'found'))],
            'breaks' => $standing,
        ];
    }

    /**
     * What does not fit any more under the seal of one subject.
     *
     * @return list<string>
     */
    public static function brokenUnder(Seal $seal, Line $line): array
    {
        if ($seal->statement === null) {
            return self::olderBroken($seal, self::factsHashes([$seal->subject_type], [$seal->subject_id]));
        }
        $sealed = self::asSealed($seal);

        $states = new StateSeals($line, readsPhotos: true);

        return self::signedBroken($seal, $sealed['position'], $states->of([$sealed])[0], $states);
    }

    /** @return array{list<Break>, array{repairs: list<Break>, says: list<string>}} */
    private static function breaks(Line $line, bool $readsPhotos): array
    {
        $breaks = [];
        $anew = ['repairs' => [], 'says' => []];
        $previous = Statement::NOTHING;
        $position = 0;
        $states = new StateSeals($line, $readsPhotos);
        $ofLine = Seal::query()->where('line_id', $line->id)->orderBy('seq');
        $ofLine->chunk(self::AT_ONCE, function (Collection $seals) use (&$breaks, &$anew, &$previous, &$position, $states): void {
            [$signed, $older] = $seals->partition(fn (Seal $seal) => $seal->statement !== null);
            $hashes = $older->isEmpty() ? [] : self::factsHashes(
                $older->pluck('subject_type')->unique()->all(),
                $older->pluck('subject_id')->all(),
            );
            $signed = $signed->values();
            $stated = $signed->isEmpty() ? [] : $states->of(array_values($signed->map(self::asSealed(...))->all()));
            $now = array_combine($signed->pluck('seq')->all(), $stated);
            foreach ($seals as $seal) {
                $position++;
                $found = $seal->previous === $previous ? [] : [Say::text('pack.sealDoesNotFollow', ['seq' => $seal->seq])];
                array_push($found, ...$seal->statement === null
                    ? self::olderBroken($seal, $hashes)
                    : self::signedBroken($seal, $position, $now[$seal->seq], $states));
                if ($found !== []) {
                    $stands = $seal->statement === null ? $hashes[$seal->subject_id] ?? '' : $now[$seal->seq]?->text() ?? '';
                    $breaks[] = ['seq' => $seal->seq, 'found' => $found, 'now' => Statement::hash($stands)];
                }
                if ($seal->subject_type === SealAnew::TYPE && self::isSigned($seal)) {
                    $said = self::asSealed($seal)['judged_with'];
                    /** @var list<Break> $repairs */
                    $repairs = array_values(\is_array($said['repairs'] ?? null) ? $said['repairs'] : []);
                    array_push($anew['repairs'], ...$repairs);
                    $anew['says'][] = SealAnew::says($seal, $said);
                }
                $previous = $seal->hash;
            }
        });

        return [$breaks, $anew];
    }

    /** @return Sealed */
    private static function asSealed(Seal $seal): array
    {
        $says = Statement::read((string) $seal->statement)->says ?? [];

        return [
            'type' => $seal->subject_type,
            'id' => $seal->subject_id,
            'position' => \is_int($says['position'] ?? null) ? $says['position'] : 0,
            'previous' => $seal->previous,
            'verdict' => $seal->verdict,
            'user' => $seal->user_id,
            'role' => $says['signer']['role'] ?? null,
            'alone' => ($says['signer']['made_it_alone'] ?? false) === true,
            'at' => $seal->sealed_at,
            'judged_with' => \is_array($says['judged_with'] ?? null) ? $says['judged_with'] : [],
        ];
    }

    public static function isSigned(Seal $seal): bool
    {
        $text = (string) $seal->statement;
        $at = Statement::read($text)->says['sealed_at'] ?? null;
        if (! \is_string($at) || Statement::hash($text) !== $seal->hash) {
            return false;
        }

        return app(KeyRing::class)->hasSigned($text, (string) $seal->signature, new \DateTimeImmutable($at, new \DateTimeZone('UTC')));
    }

    /** @return list<string> */
    private static function signedBroken(Seal $seal, int $position, ?Statement $now, StateSeals $states): array
    {
        $sealed = Statement::read((string) $seal->statement);
        if ($sealed === null || ! self::isSigned($seal)) {
            return [Say::text('pack.sealNotSigned', ['seq' => $seal->seq])];
        }
        $found = ($sealed->says['position'] ?? null) === $position ? [] : [Say::text('pack.sealsAreMissing', ['seq' => $seal->seq])];
        $what = match (true) {
            $now === null => [Say::text('pack.sealedIsGone')],
            // Titles are read only where there is something to say.
            $sealed->differences($now) === [] => [],
            default => $sealed->differences($now, $states->titles($seal->procedure_hash)),
        };

        return [...$found, ...array_map(fn (string $one) => Say::text('pack.underSeal', ['seq' => $seal->seq, 'what' => $one]), $what)];
    }

    /**
     * @param  array<string, string>  $hashes  of all facts, by id of the subject
     * @return list<string>
     */
    private static function olderBroken(Seal $seal, array $hashes): array
    {
        $own = Seal::hashOf($seal->previous, $seal->facts_hash, $seal->procedure_hash, $seal->verdict, $seal->sealed_at);
        $found = $seal->hash === $own ? [] : [Say::text('pack.sealDoesNotFollow', ['seq' => $seal->seq])];

        return ($hashes[$seal->subject_id] ?? SealSubject::hash([])) === $seal->facts_hash
            ? $found
            : [...$found, Say::text('pack.factsDiffer', ['seq' => $seal->seq])];
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

        return array_map(SealSubject::hash(...), $facts);
    }
}
