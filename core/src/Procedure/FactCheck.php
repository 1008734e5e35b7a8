<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

use Diastoma\Core\Calculation\Field\Instant;
use Diastoma\Core\Refused;
use Diastoma\Core\Round\Clock;

/** May this be stored for that step? Gives the value in the step's own units, or every fault with its field. */
final class FactCheck
{
    private const MOST_SAMPLES = 100000;

    private const MOST_PHOTOS = 12;

    /**
     * @param  array<string, mixed>  $value
     * @return array<string, mixed>
     *
     * @throws Refused
     */
    public static function normalise(Step $step, array $value): array
    {
        return match ($step->kind) {
            'round' => self::round($step, $value),
            'trace' => self::trace($step, $value),
            'hold' => self::hold($step, $value),
            default => self::fields($step->fields, self::photos($value), ['photos', 'remark']),
        };
    }

    /**
     * @param  array<string, mixed>  $value
     * @return array<string, mixed>
     */
    private static function photos(array $value): array
    {
        $photos = $value['photos'] ?? [];
        if (! is_array($photos) || ! array_is_list($photos) || count($photos) > self::MOST_PHOTOS
            || array_filter($photos, fn ($id) => ! is_string($id) || preg_match('/^[0-9a-f-]{36}$/', $id) !== 1) !== []) {
            throw Refused::field('photos', 'photos must be a list of at most '.self::MOST_PHOTOS.' ids.');
        }

        return $value;
    }

    /**
     * Who does not sign says why.
     *
     * @param  array<string, mixed>  $value
     * @return array<string, mixed>
     */
    private static function hold(Step $step, array $value): array
    {
        if (! is_bool($value['signed'] ?? null)) {
            throw Refused::field('signed', 'signed must be true or false.');
        }
        if ($value['signed'] === false && (! is_string($value['remark'] ?? null) || mb_strlen(trim($value['remark'])) < 3)) {
            throw Refused::field('remark', 'remark is missing: say why it is not signed.');
        }

        return self::fields($step->fields, self::photos($value), ['signed', 'remark', 'photos']);
    }

    /**
     * @param  list<FieldSpec>  $fields
     * @param  array<string, mixed>  $value
     * @param  list<string>  $also
     * @return array<string, mixed>
     */
    private static function fields(array $fields, array $value, array $also): array
    {
        $out = [];
        $faults = [];
        foreach ($fields as $field) {
            $found = array_filter(array_intersect_key($value, array_flip($field->keys())), fn ($v) => $v !== null && $v !== '');
            $value = array_diff_key($value, array_flip($field->keys()));
            try {
                if (count($found) > 1) {
                    throw Refused::field($field->key, "{$field->label} came in several units; give one.");
                }
                if ($found === []) {
                    if (! $field->optional) {
                        throw Refused::field($field->key, "{$field->label} is missing.");
                    }

                    continue;
                }
                $key = (string) array_key_first($found);
                $out[$field->key] = $field->read($found[$key], $key);
            } catch (Refused $refused) {
                array_push($faults, ...array_map(fn (array $f) => Refused::field($field->key, $f['message']), $refused->faults));
            }
        }
        foreach ($value as $key => $rest) {
            if (in_array($key, $also, true)) {
                $out[$key] = is_string($rest) ? mb_substr($rest, 0, 500) : $rest;
            } else {
                $faults[] = Refused::field((string) $key, "{$key} is not asked for in this step.");
            }
        }
        if ($faults !== []) {
            throw Refused::together($faults);
        }

        return $out;
    }

    /**
     * @param  array<string, mixed>  $value
     * @return array<string, mixed>
     */
    private static function round(Step $step, array $value): array
    {
        $readings = $value['readings'] ?? null;
        if (! is_array($readings) || ! array_is_list($readings) || $readings === [] || count($readings) > 200) {
            throw Refused::field('readings', 'readings must be a list of 1 to 200 clock positions with their values.');
        }
        $field = $step->fields[0];
        $rows = [];
        $faults = [];
        foreach ($readings as $i => $reading) {
            try {
                if (! is_array($reading) || ! is_string($reading['clock'] ?? null)) {
                    throw Refused::field('readings', 'reading '.($i + 1).': the clock position is missing.');
                }
                $clock = Clock::text(Clock::degrees($reading['clock'], 'readings'));
                unset($reading['clock']);
                $row = self::fields([$field], $reading, []);
                $rows[] = ['clock' => $clock, ...$row];
            } catch (Refused $refused) {
                $faults[] = Refused::field('readings', 'at '.($clock ?? $i + 1).': '.$refused->getMessage());
            }
        }
        if ($faults !== []) {
            throw Refused::together($faults);
        }

        return ['readings' => $rows] + array_intersect_key(self::photos($value), ['remark' => 1, 'view' => 1, 'photos' => 1]);
    }

    /**
     * @param  array<string, mixed>  $value
     * @return array<string, mixed>
     */
    private static function trace(Step $step, array $value): array
    {
        $columns = $step->raw['columns'] ?? [];
        $most = count($columns);
        $least = $most - (int) ($step->raw['columns_optional'] ?? 0);
        $samples = $value['samples'] ?? null;
        if (! is_string($value['trace'] ?? null) || preg_match('/^[0-9a-f-]{36}$/', $value['trace']) !== 1) {
            throw Refused::field('trace', 'trace must be the id of the trace that these samples belong to.');
        }
        if (! is_int($value['part'] ?? null) || $value['part'] < 0 || $value['part'] > 10000) {
            throw Refused::field('part', 'part must be the number of this piece of the trace, 0 to 10000.');
        }
        if (! is_array($samples) || ! array_is_list($samples) || count($samples) > self::MOST_SAMPLES) {
            throw Refused::field('samples', 'samples must be a list of at most '.self::MOST_SAMPLES.' rows ['.implode(', ', $columns).'].');
        }
        $before = -INF;
        foreach ($samples as $i => $row) {
            if (! is_array($row) || ! array_is_list($row) || count($row) < $least || count($row) > $most) {
                throw Refused::field('samples', 'samples, row '.($i + 1).': wanted is ['.implode(', ', $columns).'].');
            }
            foreach ($row as $j => $cell) {
                if (! is_int($cell) && ! is_float($cell) || ! is_finite((float) $cell)) {
                    throw Refused::field('samples', 'samples, row '.($i + 1).": {$columns[$j]} is no number.");
                }
            }
            if ($row[0] <= $before) {
                throw Refused::field('samples', 'samples, row '.($i + 1).': the time must rise from row to row.');
            }
            $before = $row[0];
        }
        $known = ['trace', 'part', 'samples', 'final', 'started_at', 'ended_at', 'source', 'file', 'cold_r_ohm', 'supply_v', 'marks', 'read_log'];
        foreach (array_diff(array_keys($value), $known) as $unknown) {
            throw Refused::field((string) $unknown, "{$unknown} does not belong to a trace.");
        }
        foreach (['started_at', 'ended_at'] as $time) {
            if (isset($value[$time])) {
                Instant::parse($value[$time], $time, $time);
            }
        }

        return $value;
    }
}
