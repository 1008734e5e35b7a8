<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

use Diastoma\Core\Calculation\Field\Instant;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\UnitSystem;

/**
 * The engine from JSON: `{"procedure": id or object, "line": {…}, "facts": [{"step", "value", "at"}], "now": "…"}`.
 * Times are shown in the line's `time_zone`. `"frozen": hash` says that the object was checked when it was frozen: a joint is
 * judged by the text it was made by, even where a text like it would be refused today. With `"tolerant": true` a fact that is
 * refused is left out and named under `refused`, so that one wrong entry on a device does not hide the rest.
 */
final class JudgeFromJson
{
    /**
     * @param  array<string, mixed>  $input
     * @return array<string, mixed>
     */
    public function __invoke(array $input): array
    {
        $given =
            $input['procedure'] ??
            throw Refused::field('procedure', 'procedure is missing: give the id of one that ships, or the procedure itself.');
        $procedure = is_array($given)
            ? self::written($given, $input['frozen'] ?? null)
            : Procedure::shipped()[is_string($given) ? $given : ''] ??
                throw Refused::field(
                    'procedure',
                    'procedure is not known; those that ship are '.implode(', ', array_keys(Procedure::shipped())).'.',
                );
        $facts = $refused = [];
        foreach (
            is_array($input['facts'] ?? []) ? $input['facts'] ?? [] : throw Refused::field('facts', 'facts must be a list.') as $i => $raw
        ) {
            $key = is_array($raw) && is_string($raw['step'] ?? null) ? $raw['step'] : '';
            try {
                $step =
                    $procedure->step($key) ??
                    throw Refused::field('facts', 'facts, row '.($i + 1).": \"{$key}\" is no step of this procedure.");
                $value = $step->kind->normalise($step, is_array($raw['value'] ?? null) ? $raw['value'] : []);
                $facts[] = new Fact(
                    (string) ($raw['id'] ?? $i), $key, $value, Instant::parse($raw['at'] ?? null, 'at', 'facts'),
                    (string) ($raw['by'] ?? ''), (string) ($raw['role'] ?? ''), $raw['supersedes'] ?? null,
                );
            } catch (Refused $fault) {
                if (($input['tolerant'] ?? false) !== true) {
                    throw $fault;
                }
                $refused[] = ['id' => (string) ($raw['id'] ?? $i), 'message' => $fault->getMessage()];
            }
        }
        $line = is_array($input['line'] ?? null) ? $input['line'] : [];
        $units = UnitSystem::tryFrom((string) ($input['units'] ?? 'metric')) ?? UnitSystem::Metric;

        $zone = null;
        try {
            $zone = isset($line['time_zone']) ? new \DateTimeZone((string) $line['time_zone']) : null;
        } catch (\Exception) {
            throw Refused::field('line', 'line: time_zone is no time zone that is known.');
        }

        return Judge::judge($procedure, $facts, $line, Instant::parse($input['now'] ?? null, 'now', 'now'))->toArray($units, $zone)
            + (($input['tolerant'] ?? false) === true ? ['refused' => $refused] : []);
    }

    /** @param  array<string, mixed>  $raw */
    private static function written(array $raw, mixed $frozen): Procedure
    {
        return is_string($frozen) && Procedure::hash($raw) === $frozen ? Procedure::frozen($raw, $frozen) : Procedure::from($raw);
    }
}
