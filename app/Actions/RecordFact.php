<?php

namespace App\Actions;

use App\Models\EvidenceFile;
use App\Models\Fact;
use App\Models\Joint;
use App\Models\Role;
use App\Models\StoreItem;
use App\Models\Subject;
use App\Models\User;
use App\Support\Conflict;
use App\Support\Say;
use Diastoma\Core\Calculation\Field\Instant;
use Diastoma\Core\Procedure\Kind\Hold;
use Diastoma\Core\Procedure\Kind\Trace;
use Diastoma\Core\Procedure\Procedure;
use Diastoma\Core\Procedure\Step;
use Diastoma\Core\Refused;
use Illuminate\Auth\Access\AuthorizationException;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Support\Facades\DB;

/**
 * Stores one fact, once, and judges anew. The id is made by the device: the same fact sent twice is stored once.
 * Everything happens in one transaction, so nothing is ever half stored.
 */
final class RecordFact
{
    public function __construct(private readonly JudgeSubject $judge, private readonly SealSubject $seal)
    {
    }

    /**
     * @param  array{
     *     id: string, step: string, value: array<string, mixed>, recorded_at: string,
     *     supersedes?: string|null, reason?: string|null, device?: string|null, clock_off_s?: int|null, was_ahead_s?: int,
     *     procedure?: string|null
     * }  $body  was_ahead_s: by how much the clock of the device is ahead, where the device did not correct the time itself;
     *           procedure: hash of the text that the device showed
     */
    public function __invoke(Subject $subject, User $by, Role $role, array $body): Recording
    {
        return DB::transaction(
            function () use ($subject, $by, $role, $body) {
                $locked = $subject::query()->lockForUpdate()->findOrFail($subject->getKey());

                return $this->record($locked->knowing($subject), $by, $role, $body);
            },
            3,
        );
    }

    /**
     * Would it set a seal, as far as it can be read?
     *
     * @param  array{step: string, value: array<string, mixed>}  $body
     */
    public function seals(Subject $subject, array $body): bool
    {
        $kind = $subject->procedure()->step($body['step'])?->kind;

        return $kind instanceof Hold && $kind->seals && Hold::isSigned($body['value']);
    }

    /** @param  array<string, mixed>  $body */
    private function record(Subject $subject, User $by, Role $role, array $body): Recording
    {
        $hash = self::hash($subject, $body);
        $known = $subject->recorded()->firstWhere('id', $body['id']);
        if ($known !== null) {
            return $known->body_hash === $hash ? new Recording($subject, $known, $subject->judgement(), false, [$subject])
                : throw new Conflict('id', Say::text('refused.factIdTaken'));
        }
        if (($why = $subject->closed()) !== null) {
            throw new Conflict('subject', $why);
        }
        $recorded = self::recordedAt($body);
        $this->goesOnAsBegun($subject, $body['procedure'] ?? null, $recorded);
        $step = $subject->procedure()->step($body['step'])
            ?? throw Refused::field('step', Say::text('refused.noStep', ['step' => $body['step']]));
        $this->mustBeAllowed($step, $role);
        $value = $this->withItems($subject, $step, $step->normalise($body['value']));
        $this->mustSupersedeRightly($subject, $step, $body, $value);
        $signs = $step->kind instanceof Hold && Hold::isSigned($value);
        if ($signs) {
            $this->mustBeReady($subject, $step);
        }
        if ($signs && $step->kind->seals && ($why = OwnWork::keepsFromSealing($subject, $by)) !== null) {
            throw Refused::field('signed', $why);
        }
        $fact = $this->store($subject, $by, [
            'id' => $body['id'], 'step' => $step->key(), 'value' => $value, 'typed' => $body['value'],
            'recorded_at' => $recorded, 'user_id' => $by->id, 'role' => $role->value,
            'supersedes' => $body['supersedes'] ?? null, 'reason' => $body['reason'] ?? null, 'body_hash' => $hash,
            'device' => $body['device'] ?? null, 'clock_off_s' => $body['clock_off_s'] ?? null,
            'received_at' => now()->format('Y-m-d H:i:s.v'),
        ]);
        if ($step->kind instanceof Trace && Trace::mayBeReplaced($value) && ($value['final'] ?? false)) {
            EvidenceFile::query()->create([
                'fact_id' => $fact->id,
                'subject_type' => $subject->getMorphClass(),
                'subject_id' => $subject->getKey(),
                'readings_hash' => EvidenceFile::hashOf($value['samples']),
            ]);
        }
        $judgement = ($this->judge)($subject);
        if ($signs && $step->kind->seals) {
            ($this->seal)($subject, $judgement, $by, $role->value);
            $judgement = ($this->judge)($subject);
        }

        return new Recording($subject, $fact, $judgement, true, [$subject, ...$this->judge->dependants($subject)]);
    }

    /**
     * When it was recorded, by the clock of the server where the device did not know that its own was off.
     *
     * @param  array<string, mixed>  $body
     */
    public static function recordedAt(array $body): string
    {
        $said = Instant::parse($body['recorded_at'], 'recorded_at', 'recorded_at');

        return $said->modify(sprintf('%+d seconds', -($body['was_ahead_s'] ?? 0)))->format('Y-m-d\TH:i:sP');
    }

    /**
     * Of what came: the same fact sent twice has the same one.
     *
     * @param  array<string, mixed>  $body
     */
    public static function hash(Subject $subject, array $body): string
    {
        return hash(
            'sha256',
            Procedure::canonical([$subject->getKey(), $body['step'], $body['value'], $body['recorded_at'], $body['supersedes'] ?? null]),
        );
    }

    /**
     * A joint that was begun without network by the procedure that the line had then goes on by it. One that was begun after that
     * is judged by what the line asks for since: an old page makes nothing good.
     */
    private function goesOnAsBegun(Subject $subject, ?string $shown, string $recorded): void
    {
        if (! $subject instanceof Joint || $shown === null || $shown === $subject->text()->hash || $subject->recorded()->isNotEmpty()) {
            return;
        }
        $until = (new ChangesOfLine($subject->line()))->formerProcedures()[$shown] ?? null;
        if ($until !== null && new \DateTimeImmutable($recorded) < new \DateTimeImmutable($until, new \DateTimeZone('UTC'))) {
            $subject->procedure_hash = $shown;
            $subject->unsetRelation('procedureText');
        }
    }

    /** @param  array<string, mixed>  $fact */
    private function store(Subject $subject, User $by, array $fact): Fact
    {
        try {
            $stored = $subject->facts()->create($fact);
        } catch (UniqueConstraintViolationException) {
            // On another joint or test, perhaps at the same moment.
            throw new Conflict('id', Say::text('refused.factIdTaken'));
        }
        $stored->setAttribute('by', $by->name);
        $subject->recorded()->push($stored);

        return $stored;
    }

    /**
     * What was chosen out of the stores is kept as the stores knew it, not as the device had it.
     *
     * @param  array<string, mixed>  $value
     * @return array<string, mixed>
     */
    private function withItems(Subject $subject, Step $step, array $value): array
    {
        foreach ($step->fields as $field) {
            if ($field->type !== 'item' || ! isset($value[$field->key])) {
                continue;
            }
            $item =
                StoreItem::query()
                    ->where('project_id', $subject->line()->project_id)
                    ->where('kind', $field->of)
                    ->find($value[$field->key]['id']) ??
                throw Refused::field($field->key, Say::text('refused.notInStores', ['field' => $field->label]));
            $value[$field->key] = $item->snapshot();
        }

        return $value;
    }

    private function mustBeAllowed(Step $step, Role $role): void
    {
        if ($step->roles !== [] && ! \in_array($role->value, $step->roles, true)) {
            $why = $step->kind instanceof Hold ? 'refused.signedByAnother' : 'refused.enteredByAnother';
            throw new AuthorizationException(Say::text($why, [
                'step' => $step->title([]),
                'roles' => implode(Say::text('refused.or'), $step->roles),
                'role' => $role->value,
            ]));
        }
    }

    /**
     * @param  array<string, mixed>  $body
     * @param  array<string, mixed>  $value  as it is to be stored
     */
    private function mustSupersedeRightly(Subject $subject, Step $step, array $body, array $value): void
    {
        $current = $subject->standing($step->key());
        $supersedes = $body['supersedes'] ?? null;
        if ($supersedes !== null) {
            if (! $current->contains('id', $supersedes)) {
                throw new Conflict('supersedes', Say::text('refused.notTheLatest'));
            }
            $replaced = $current->firstWhere('id', $supersedes);
            if ($step->kind instanceof Trace && $replaced !== null && ! self::isFromFiles($replaced, $current)) {
                throw new Conflict(
                    'supersedes',
                    Say::text('refused.deviceRecordStays'),
                );
            }
            if (trim((string) ($body['reason'] ?? '')) === '') {
                throw Refused::field('reason', Say::text('refused.whyNotCounted'));
            }

            return;
        }
        $standing = array_values($current->map(fn (Fact $f) => $f->value)->all());
        $why = $standing === [] ? null : $step->kind->refusesMore($standing, $value);
        if ($why !== null) {
            throw new Conflict($step->kind->comesInParts() ? 'part' : 'step', "\"{$step->title($subject->context())}\" {$why}.");
        }
    }

    /**
     * Did the whole trace come from a file, each of its parts?
     *
     * @param  Collection<int, Fact>  $standing  of its step
     */
    private static function isFromFiles(Fact $trace, Collection $standing): bool
    {
        $parts = $standing->filter(fn (Fact $f) => ($f->value['trace'] ?? null) === ($trace->value['trace'] ?? null));

        return $parts->every(fn (Fact $f) => Trace::mayBeReplaced($f->value));
    }

    private function mustBeReady(Subject $subject, Step $step): void
    {
        $judgement = $subject->judgement();
        $state = $judgement->steps[$step->key()] ?? null;
        if ($state?->lock !== null) {
            throw Refused::field('signed', Say::text('refused.notSignedYet', ['why' => $state->lock->text]));
        }
        foreach ($subject->holdsUpSignature() as $why) {
            throw Refused::field('signed', Say::text('refused.notSignedYet', ['why' => $why]));
        }
        // A permit is asked for because something is not good.
        if ($step->kind instanceof Hold && $step->kind->free) {
            return;
        }
        foreach ($judgement->holdingUp() as $other) {
            throw Refused::field('signed', Say::text('refused.heldUpBy', ['step' => $other->title, 'verdict' => $other->verdict->value]));
        }
    }
}
