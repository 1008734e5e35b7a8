<?php

namespace App\Http\Resources;

use App\Models\Joint;
use App\Models\PressureTest;
use App\Models\Stretch;
use App\Models\Subject;
use Diastoma\Core\Procedure\Tells\Clock;

/** A joint or a test as it stands in the lists of its line: what a page needs to draw it, and nothing that must be judged. */
final class LineRow
{
    /** @return array<string, mixed> */
    public static function of(Subject $subject): array
    {
        return match (true) {
            $subject instanceof Joint => self::joint($subject),
            $subject instanceof PressureTest => self::test($subject),
            $subject instanceof Stretch => self::stretch($subject),
            default => throw new \LogicException('No row for this kind'),
        };
    }

    /** @return array<string, mixed> */
    public static function joint(Joint $j): array
    {
        return [
            'id' => $j->id,
            'number' => $j->number,
            'chainage_m' => $j->chainage_m,
            'state' => $j->state,
            'verdict' => $j->verdict,
            'done' => $j->done,
            'total' => $j->total,
            'next_step' => $j->next_step,
            'next_title' => self::nextTitle($j),
            'clocks' => self::clocks($j),
            'left_face' => $j->left_face,
            'replaces_id' => $j->replaces_id,
            'pulled_apart' => $j->pulled_apart,
            'pipes' => $j->pipes,
            'headline' => $j->headline[0]['text'] ?? null,
            'place' => $j->place,
            'host_id' => $j->host_id,
            'procedure_hash' => $j->procedure_hash,
        ];
    }

    /** How the step is called that comes next; of what was not begun, or is finished, nobody asks. */
    private static function nextTitle(Joint $j): ?string
    {
        $step = $j->state === 'begun' && $j->next_step !== null ? $j->procedure()->step($j->next_step) : null;

        return $step?->title(['sides' => $j->sides()]);
    }

    /** @return list<array<string, mixed>>|null those that are still looked at: of what is signed or cut out nobody waits for anything */
    private static function clocks(Joint $j): ?array
    {
        if ($j->clocks === null || $j->clocks === [] || \in_array($j->state, ['accepted', 'cut-out'], true)) {
            return null;
        }

        return array_map(
            fn (Clock $clock) => $clock->toArray($j->clocks[$clock->name]),
            array_values(array_intersect_key($j->procedure()->tells->clocks, $j->clocks)),
        );
    }

    /** @return array<string, mixed> */
    public static function stretch(Stretch $s): array
    {
        return $s->only(['id', 'name', 'from_m', 'to_m', 'state', 'verdict', 'done', 'total']) + [
            'headline' => $s->headline[0]['text'] ?? null,
            'of' => $s->procedureText->title,
            'place' => $s->procedure()->place === Stretch::OF_LINE ? 'line' : 'stretch',
            'daily' => $s->procedure()->daily,
            'covers' => $s->procedure()->tells->covers(),
            'uncovers' => $s->procedure()->tells->uncovers(),
        ];
    }

    /** @return array<string, mixed> */
    public static function test(PressureTest $t): array
    {
        return [
            'id' => $t->id,
            'number' => $t->number,
            'state' => $t->state,
            'verdict' => $t->verdict,
            'sealed_at' => $t->sealed_at?->toIso8601ZuluString(),
            'headline' => $t->headline[0]['text'] ?? null,
            'asked_kpa' => $t->asked_kpa,
        ];
    }
}
