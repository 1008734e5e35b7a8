<?php

namespace App\Actions;

use App\Models\Line;
use App\Models\Seal;
use App\Models\Subject;
use App\Models\User;
use Diastoma\Core\Procedure\Judgement;
use Diastoma\Core\Procedure\Procedure;
use Diastoma\Core\Seal\KeyRing;
use Diastoma\Core\Seal\Statement;

/**
 * Seals a subject: a statement of all that it was judged by, signed with a key that no database holds, and chained to the seal
 * before it on the line, so that a later change shows.
 */
final class SealSubject
{
    public function __invoke(Subject $subject, Judgement $judgement, User $by, ?string $role = null): void
    {
        // One signature after the other on a line: each locks it, and reads the last seal as it is now.
        $line = Line::query()->lockForUpdate()->findOrFail($subject->line()->id);
        $knowing = $subject->context() + ['time_zone' => $line->project->time_zone];
        $alone = OwnWork::isOf($subject, $by);
        $this->set($line, $subject->getMorphClass(), $subject->id, $subject->procedure()->hash, [
            'verdict' => $judgement->verdict->value, 'user' => $by->id, 'role' => $role, 'alone' => $alone, 'judged_with' => $knowing,
        ]);
        $subject->update(['sealed_at' => now()]);
    }

    /**
     * @param  Line  $line  locked by who calls
     * @param  array{verdict: string, user: int, role: string|null, alone: bool, judged_with: array<string, mixed>}  $says
     */
    public function set(Line $line, string $type, string $id, string $procedure, array $says): Seal
    {
        $before = Seal::query()->where('line_id', $line->id)->orderByDesc('seq')->lockForUpdate()->value('hash') ?? Statement::NOTHING;
        $at = now()->format('Y-m-d H:i:s.v');
        $statement = (new StateSeals($line, readsPhotos: true))->of([$says + [
            'type' => $type,
            'id' => $id,
            'position' => Seal::query()->where('line_id', $line->id)->count() + 1,
            'previous' => $before,
            'at' => $at,
        ]])[0] ?? throw new \LogicException('What is sealed is there.');
        $key = app(KeyRing::class)->current;
        $text = $statement->text();

        return Seal::query()->create([
            'line_id' => $line->id, 'subject_type' => $type, 'subject_id' => $id,
            'facts_hash' => self::hash((array) $statement->says['facts']), 'procedure_hash' => $procedure,
            'verdict' => $says['verdict'], 'previous' => $before, 'user_id' => $says['user'], 'sealed_at' => $at,
            'statement' => $text, 'hash' => Statement::hash($text), 'signature' => $key->sign($text), 'public_key' => $key->publicKey(),
        ]);
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

    /** @param  array<mixed>  $facts */
    public static function hash(array $facts): string
    {
        return hash('sha256', Procedure::canonical($facts));
    }
}
