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
final readonly class JudgeFromJson
{
    /**
     * @param  list<Fact>  $facts
     * @param  list<array{id: string, message: string}>|null  $refused  facts that were left out; null: none may be
     * @param  array<string, mixed>  $line
     */
    private function __construct(
        private Procedure $procedure,
        private array $facts,
        private ?array $refused,
        private array $line,
        private \DateTimeImmutable $now,
        public UnitSystem $units,
        public ?\DateTimeZone $zone,
    ) {
    }

    /**
     * @param  array<string, mixed>  $input
     *
     * @throws Refused naming what is missing or wrong
     */
    public static function read(array $input): self
    {
        $procedure = self::procedure($input['procedure'] ?? null, $input['frozen'] ?? null);
        $isTolerant = ($input['tolerant'] ?? false) === true;
        [$facts, $refused] = self::facts($procedure, $input['facts'] ?? [], $isTolerant);
        /** @var array<string, mixed> $line */
        $line = \is_array($input['line'] ?? null) ? $input['line'] : [];
        $units = \is_string($input['units'] ?? null) ? UnitSystem::tryFrom($input['units']) : null;

        return new self(
            $procedure,
            $facts,
            $isTolerant ? $refused : null,
            $line,
            Instant::parse($input['now'] ?? null, 'now', 'now'),
            $units ?? UnitSystem::Metric,
            isset($line['time_zone']) ? self::zone($line['time_zone']) : null,
        );
    }

    public function judged(): Judgement
    {
        return Judge::judge($this->procedure, $this->facts, $this->line, $this->now);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return $this->judged()->toArray($this->units, $this->zone) + ($this->refused === null ? [] : ['refused' => $this->refused]);
    }

    private static function procedure(mixed $given, mixed $frozen): Procedure
    {
        if (\is_array($given)) {
            /** @var array<string, mixed> $given */
            return \is_string($frozen) && Procedure::hash($given) === $frozen
                ? Procedure::frozen($given, $frozen)
                : Procedure::from($given);
        }
        if ($given === null) {
            throw Refused::field('procedure', 'procedure is missing: give the id of one that ships, or the procedure itself.');
        }
        $shipped = Procedure::shipped();

        return $shipped[\is_string($given) ? $given : '']
            ?? throw Refused::field('procedure', 'procedure is not known; those that ship are '.implode(', ', array_keys($shipped)).'.');
    }

    /** @return array{list<Fact>, list<array{id: string, message: string}>} */
    private static function facts(Procedure $procedure, mixed $rows, bool $isTolerant): array
    {
        $facts = $refused = [];
        foreach (\is_array($rows) ? array_values($rows) : throw Refused::field('facts', 'facts must be a list.') as $i => $raw) {
            /** @var array<string, mixed> $raw */
            $raw = \is_array($raw) ? $raw : [];
            try {
                $facts[] = self::fact($procedure, $raw, $i);
            } catch (Refused $fault) {
                if (! $isTolerant) {
                    throw $fault;
                }
                $refused[] = ['id' => self::text($raw, 'id') ?? (string) $i, 'message' => $fault->getMessage()];
            }
        }

        return [$facts, $refused];
    }

    /** @param  array<string, mixed>  $raw */
    private static function fact(Procedure $procedure, array $raw, int $i): Fact
    {
        $key = self::text($raw, 'step') ?? '';
        $step = $procedure->step($key)
            ?? throw Refused::field('facts', 'facts, row '.($i + 1).": \"{$key}\" is no step of this procedure.");
        /** @var array<string, mixed> $value */
        $value = \is_array($raw['value'] ?? null) ? $raw['value'] : [];

        return new Fact(
            self::text($raw, 'id') ?? (string) $i,
            $key,
            $step->kind->normalise($step, $value),
            Instant::parse($raw['at'] ?? null, 'at', 'facts'),
            self::text($raw, 'by') ?? '',
            self::text($raw, 'role') ?? '',
            self::text($raw, 'supersedes'),
            self::received($raw['received'] ?? null),
        );
    }

    /** As a record has it: UTC without a zone. */
    private static function received(mixed $said): ?\DateTimeImmutable
    {
        $utc = new \DateTimeZone('UTC');
        $read = \is_string($said) ? \DateTimeImmutable::createFromFormat('!Y-m-d H:i:s.v', $said, $utc) : null;

        if ($read === false || ($said !== null && ! \is_string($said))) {
            throw Refused::field('facts', 'facts: received must be a time as "2026-05-04 09:12:30.250", UTC.');
        }

        return $read;
    }

    /** @param  array<string, mixed>  $raw */
    private static function text(array $raw, string $key): ?string
    {
        return \is_string($raw[$key] ?? null) ? $raw[$key] : null;
    }

    private static function zone(mixed $name): \DateTimeZone
    {
        try {
            return new \DateTimeZone(\is_string($name) ? $name : '');
        } catch (\Exception) {
            throw Refused::field('line', 'line: time_zone is no time zone that is known.');
        }
    }
}
