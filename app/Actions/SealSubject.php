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
use Diastoma\Core\Seal\SealKey;
use Diastoma\Core\Seal\Statement;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\Config;

/**
 * Seals a subject: a statement of all that it was judged by, signed with a key that no database holds, and chained to the seal
 * before it on the line, so that a later change shows.
 *
 * @phpstan-import-type Sealed from StateSeals
 */
final class SealSubject
{
    /** How many seals are held against what stands in the database at a time. */
    private const AT_ONCE = 500;

    public function __invoke(Subject $subject, Judgement $judgement, User $by, ?string $role = null): void
    {
        // One signature after the other on a line: each locks it, and reads the last seal as it is now.
        $line = Line::query()->lockForUpdate()->findOrFail($subject->line()->id);
        $before = Seal::query()->where('line_id', $line->id)->orderByDesc('seq')->lockForUpdate()->value('hash') ?? Statement::NOTHING;
        $at = now()->format('Y-m-d H:i:s.v');
        $statement = (new StateSeals($line, readsPhotos: true))->of([[
            'type' => $subject->getMorphClass(),
            'id' => $subject->id,
            'position' => Seal::query()->where('line_id', $line->id)->count() + 1,
            'previous' => $before,
            'verdict' => $judgement->verdict->value,
            'user' => $by->id,
            'role' => $role,
            'at' => $at,
            'judged_with' => $subject->context() + ['time_zone' => $line->project->time_zone],
        ]])[0] ?? throw new \LogicException('What is sealed is there.');
        $key = SealKey::of(Config::string('seal.key'));
        $text = $statement->text();
        Seal::query()->create([
            'line_id' => $line->id, 'subject_type' => $subject->getMorphClass(), 'subject_id' => $subject->id,
            'facts_hash' => self::hash((array) $statement->says['facts']), 'procedure_hash' => $subject->procedure()->hash,
            'verdict' => $judgement->verdict->value, 'previous' => $before, 'user_id' => $by->id, 'sealed_at' => $at,
            'statement' => $text, 'hash' => Statement::hash($text), 'signature' => $key->sign($text), 'public_key' => $key->publicKey(),
        ]);
        $subject->update(['sealed_at' => now()]);
    }

    /**
     * The last seal of a line, to be kept elsewhere: a chain that was shortened or made anew has another one.
     *
     * @return array{seals: int, hash: string, public_key: string|null}|null null: nothing is sealed yet
     */
    public static function head(Line $line): ?array
    {
        $seals = Seal::query()->where('line_id', $line->id);
        $last = (clone $seals)->orderByDesc('seq')->first();

        return $last === null ? null : ['seals' => $seals->count(), 'hash' => $last->hash, 'public_key' => $last->public_key];
    }

    /** @return list<string> what does not fit any more, empty when the chain holds */
    public static function broken(Line $line): array
    {
        $broken = [];
        $previous = Statement::NOTHING;
        $position = 0;
        $ofLine = Seal::query()->where('line_id', $line->id)->orderBy('seq');
        $states = new StateSeals($line);
        $ofLine->chunk(self::AT_ONCE, function (Collection $seals) use (&$broken, &$previous, &$position, $states): void {
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
                if ($seal->previous !== $previous) {
                    $broken[] = Say::text('pack.sealDoesNotFollow', ['seq' => $seal->seq]);
                }
                array_push($broken, ...$seal->statement === null
                    ? self::olderBroken($seal, $hashes)
                    : self::signedBroken($seal, $position, $now[$seal->seq]));
                $previous = $seal->hash;
            }
        });

        return $broken;
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

        return self::signedBroken($seal, $sealed['position'], (new StateSeals($line, readsPhotos: true))->of([$sealed])[0]);
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
            'at' => $seal->sealed_at,
            'judged_with' => \is_array($says['judged_with'] ?? null) ? $says['judged_with'] : [],
        ];
    }

    /** @return list<string> */
    private static function signedBroken(Seal $seal, int $position, ?Statement $now): array
    {
        $text = (string) $seal->statement;
        $sealed = Statement::read($text);
        $key = SealKey::of(Config::string('seal.key'))->publicKey();
        if ($sealed === null || Statement::hash($text) !== $seal->hash || ! SealKey::isSigned($text, (string) $seal->signature, $key)) {
            return [Say::text('pack.sealNotSigned', ['seq' => $seal->seq])];
        }
        $found = ($sealed->says['position'] ?? null) === $position ? [] : [Say::text('pack.sealsAreMissing', ['seq' => $seal->seq])];
        $what = $now === null ? [Say::text('pack.sealedIsGone')] : $sealed->differences($now);

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

        return ($hashes[$seal->subject_id] ?? self::hash([])) === $seal->facts_hash
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

        return array_map(self::hash(...), $facts);
    }

    /** @param  array<mixed>  $facts */
    private static function hash(array $facts): string
    {
        return hash('sha256', Procedure::canonical($facts));
    }
}
