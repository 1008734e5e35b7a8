<?php

declare(strict_types=1);

namespace Diastoma\Core\Seal;

use Diastoma\Core\Procedure\JudgeFromJson;
use Diastoma\Core\Procedure\Procedure;
use Diastoma\Core\Refused;

/** Holds a record that was given out against the seal in it, with the public key alone: no server, no database. */
final class VerifyRecord
{
    /**
     * @param  array<string, mixed>  $record  as it was given out
     * @param  list<string>|null  $keys  in base64, from somewhere else than the file; null: the file's own, which proves less
     * @return array{holds: bool, found: list<string>, key: 'given'|'of the file', head: string}
     *
     * @throws Refused naming seal where the record has none
     */
    public static function of(array $record, ?array $keys = null): array
    {
        $seal = \is_array($record['seal'] ?? null) ? $record['seal'] : [];
        $text = self::word($seal, 'statement');
        $statement = Statement::read($text) ?? throw Refused::field('seal', 'The record has no seal that can be held against a key.');
        $found = [];
        $isSigned = fn (string $key): bool => SealKey::isSigned($text, self::word($seal, 'signature'), $key);
        if (array_filter($keys ?? [self::word($seal, 'public_key')], $isSigned) === []) {
            $found[] = 'The seal is not signed by the server whose key this is.';
        }
        if ($text !== $statement->text() || Statement::hash($text) !== self::word($seal, 'hash')) {
            $found[] = 'The seal itself was altered.';
        }
        $now = self::now($record, $statement);
        try {
            // By the facts and the text that are in the file.
            $now = $now->with(['verdict' => JudgeFromJson::read($record)->judged()->verdict->value]);
        } catch (Refused $refused) {
            $found[] = 'It cannot be judged by what is in it: '.$refused->faults[0]['message'];
        }
        $found = [...$found, ...$statement->differences($now)];

        return [
            'holds' => $found === [],
            'found' => $found,
            'key' => $keys === null ? 'of the file' : 'given',
            'head' => self::word($seal, 'hash'),
        ];
    }

    /**
     * What the record says today, in the form of a seal.
     *
     * @param  array<string, mixed>  $record
     */
    private static function now(array $record, Statement $sealed): Statement
    {
        /** @var list<array<string, mixed>> $facts */
        $facts = array_values(array_filter(\is_array($record['facts'] ?? null) ? $record['facts'] : [], is_array(...)));
        $procedure = \is_array($record['procedure'] ?? null) ? $record['procedure'] : [];
        $with = \is_array($record['line'] ?? null) ? $record['line'] : [];

        return $sealed->with([
            'procedure' => Procedure::hash($procedure),
            'facts' => array_map(SealedFact::of(...), $facts),
            'judged_with' => $with,
        ]);
    }

    /** @param  array<mixed>  $of */
    private static function word(array $of, string $key): string
    {
        return \is_string($of[$key] ?? null) ? $of[$key] : '';
    }
}
