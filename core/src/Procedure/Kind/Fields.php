<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Kind;

use Diastoma\Core\Procedure\FieldSpec;
use Diastoma\Core\Refused;

/** What was answered to the fields of a step, checked one by one; every fault is named. */
final class Fields
{
    private const MOST_PHOTOS = 12;

    /**
     * @param  array<string, mixed>  $value
     * @return array<string, mixed> the same
     *
     * @throws Refused
     */
    public static function photos(array $value): array
    {
        $photos = $value['photos'] ?? [];
        if (! \is_array($photos) || ! array_is_list($photos) || \count($photos) > self::MOST_PHOTOS
            || array_filter($photos, fn ($id) => ! \is_string($id) || preg_match('/^[0-9a-f-]{36}$/', $id) !== 1) !== []) {
            throw Refused::field('photos', 'photos must be a list of at most '.self::MOST_PHOTOS.' ids.');
        }

        return $value;
    }

    /**
     * @param  list<FieldSpec>  $fields
     * @param  array<string, mixed>  $value
     * @param  list<string>  $also  keys that may stand beside them
     * @return array<string, mixed>
     *
     * @throws Refused every fault with its field
     */
    public static function normalise(array $fields, array $value, array $also): array
    {
        $out = [];
        $faults = [];
        foreach ($fields as $field) {
            $found = array_filter(array_intersect_key($value, array_flip($field->keys())), fn ($v) => $v !== null && $v !== '');
            $value = array_diff_key($value, array_flip($field->keys()));
            try {
                if (\count($found) > 1) {
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
            if (\in_array($key, $also, true)) {
                $out[$key] = \is_string($rest) ? mb_substr($rest, 0, 500) : $rest;
            } else {
                $faults[] = Refused::field((string) $key, "{$key} is not asked for in this step.");
            }
        }
        if ($faults !== []) {
            throw Refused::together($faults);
        }

        return $out;
    }
}
