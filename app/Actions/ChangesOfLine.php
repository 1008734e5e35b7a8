<?php

namespace App\Actions;

use App\Models\Line;
use App\Models\Seal;
use App\Models\User;
use App\Support\Say;
use Diastoma\Core\Procedure\Procedure;
use Diastoma\Core\Seal\Statement;

/**
 * What was changed of a line since it was made, as its chain of seals has it: each change is a seal of its own, signed, with what
 * stood before and after. What was sealed before a change is held against the line as it stood then; a change that nobody signed
 * takes nothing back.
 *
 * @phpstan-type Change array{key: string, before: mixed, after: mixed}
 * @phpstan-type Changed array{position: int, at: string, by: string, reason: string, changes: list<Change>}
 */
final class ChangesOfLine
{
    /** Of a seal: it is over a change of its line. */
    public const TYPE = 'line-change';

    /** What stands in a seal by its hash alone: another change beside it says it in words. */
    private const UNSAID = ['centre_line', 'laying_plan', 'pipe', 'procedure_hash'];

    /** @var list<Changed>|null in the order in which they were made */
    private ?array $all = null;

    public function __construct(private readonly Line $line)
    {
    }

    /** @return list<Changed> */
    public function all(): array
    {
        return $this->all ??= $this->read();
    }

    /**
     * What a seal at a place of the chain knew of the line.
     *
     * @param  array<string, mixed>  $now  what stands today
     * @return array<string, mixed>
     */
    public function asOf(int $position, array $now): array
    {
        foreach (array_reverse($this->all()) as $changed) {
            if ($changed['position'] <= $position) {
                break;
            }
            foreach ($changed['changes'] as $change) {
                if (\array_key_exists($change['key'], $now)) {
                    $now[$change['key']] = $change['before'];
                }
            }
        }

        return $now;
    }

    /** @return array<string, string> hash of each procedure that its joints had before => until when, UTC */
    public function formerProcedures(): array
    {
        $former = [];
        foreach ($this->all() as $changed) {
            foreach ($changed['changes'] as $change) {
                if ($change['key'] === 'procedure_hash' && \is_string($change['before'])) {
                    $former[$change['before']] = $changed['at'];
                }
            }
        }

        return $former;
    }

    /** What was changed, in words. @param  Changed  $changed */
    public static function said(array $changed): string
    {
        $said = [];
        foreach ($changed['changes'] as ['key' => $key, 'before' => $before, 'after' => $after]) {
            if (! \in_array($key, self::UNSAID, true)) {
                $said[] = Say::text("called.changed.{$key}".($after === false ? '-back' : ''), [
                    'before' => \is_scalar($before) ? (string) $before : '', 'after' => \is_scalar($after) ? (string) $after : '',
                ]);
            }
        }

        return implode(' ', $said);
    }

    /** @param  array<mixed>  $points  @return string as seals have it */
    public static function hashOf(array $points): string
    {
        return hash('sha256', Procedure::canonical($points));
    }

    /** @return list<Changed> */
    private function read(): array
    {
        $seals = Seal::query()->where('line_id', $this->line->id)->where('subject_type', self::TYPE)->orderBy('seq')->get();
        $names = User::query()->whereIn('id', $seals->pluck('user_id'))->pluck('name', 'id');
        $all = [];
        foreach ($seals as $seal) {
            $says = Statement::read((string) $seal->statement)->says ?? [];
            $with = \is_array($says['judged_with'] ?? null) ? $says['judged_with'] : [];
            // A change of another line, copied here, was signed too.
            $isOwn = ($says['line']['id'] ?? null) === $this->line->id;
            if ($isOwn && ExamineSeals::isSigned($seal) && \is_int($says['position'] ?? null) && \is_array($with['changes'] ?? null)) {
                /** @var list<Change> $changes */
                $changes = array_values($with['changes']);
                $all[] = [
                    'position' => $says['position'], 'at' => $seal->sealed_at, 'by' => (string) ($names[$seal->user_id] ?? ''),
                    'reason' => \is_string($with['reason'] ?? null) ? $with['reason'] : '', 'changes' => $changes,
                ];
            }
        }

        return $all;
    }
}
