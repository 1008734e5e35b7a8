<?php

declare(strict_types=1);

namespace Diastoma\Core\Seal;

use Diastoma\Core\Procedure\Procedure;

/**
 * What a seal says: of what, at which place of the line's chain, after which seal, by which text, from which facts and photos,
 * with which verdict, by whom and when. Its canonical text is what is hashed and signed.
 */
final readonly class Statement
{
    /** The form of what is written down; an older one has no statement of its own. */
    public const FORM = 2;

    /** What goes before the first seal of a line. */
    public const NOTHING = '0000000000000000000000000000000000000000000000000000000000000000';

    /** How a person calls what stands in it. */
    private const CALLED = [
        'line' => 'the line',
        'subject' => 'what was sealed',
        'procedure' => 'the text of the procedure',
        'verdict' => 'the verdict',
        'signer' => 'who signed',
        'position' => 'the place in the chain',
        'previous' => 'the seal before it',
        'sealed_at' => 'the time of the seal',
        'judged_with' => 'what was known of the place',
    ];

    /** Of what stands within them. */
    private const WITHIN = [
        'chainage_m' => 'chainage, m',
        'from_m' => 'from, m',
        'to_m' => 'to, m',
        'mdp_bar' => 'maximum design pressure, bar',
        'design_bar' => 'design pressure, bar',
        'centre_line' => 'centre line',
    ];

    /** @param  array<string, mixed>  $says */
    private function __construct(public array $says)
    {
    }

    /**
     * @param  array<string, mixed>  $line  name, pipe, pressures, as they stood
     * @param  array<string, mixed>  $subject  type, id, name, place, pipes
     * @param  list<array<string, mixed>>  $facts  {@see SealedFact}, in the order in which they were stored
     * @param  list<array{id: string, step: string, sha256: string}>  $photos
     * @param  array{name: string, role: string|null, made_it_alone?: bool}  $signer
     * @param  array<string, mixed>  $judgedWith  all that was known of the place when it was judged
     */
    public static function of(
        int $position,
        string $previous,
        array $line,
        array $subject,
        string $procedureHash,
        array $facts,
        array $photos,
        string $verdict,
        array $signer,
        string $sealedAt,
        array $judgedWith,
    ): self {
        return new self([
            'seal' => self::FORM,
            'position' => $position,
            'previous' => $previous,
            'line' => $line,
            'subject' => $subject,
            'procedure' => $procedureHash,
            'facts' => array_map(SealedFact::of(...), $facts),
            'photos' => $photos,
            'verdict' => $verdict,
            'signer' => $signer,
            'sealed_at' => $sealedAt,
            'judged_with' => $judgedWith,
        ]);
    }

    /** @return self|null null where it is none */
    public static function read(string $text): ?self
    {
        $says = json_decode($text, true);

        return \is_array($says) && ($says['seal'] ?? null) === self::FORM ? new self($says) : null;
    }

    public function text(): string
    {
        return Procedure::canonical($this->says);
    }

    /** @param  array<string, mixed>  $says  what is said instead */
    public function with(array $says): self
    {
        return new self($says + $this->says);
    }

    public static function hash(string $text): string
    {
        return hash('sha256', $text);
    }

    /**
     * What stands otherwise now, each in a sentence.
     *
     * @param  array<string, string>  $titles  how people call a step, by its key
     * @return list<string>
     */
    public function differences(self $now, array $titles = []): array
    {
        $found = [];
        foreach (self::CALLED as $key => $called) {
            array_push($found, ...self::changed($called, $this->says[$key] ?? null, $now->says[$key] ?? null));
        }

        return [
            ...$found,
            ...self::facts($this->list('facts'), $now->list('facts'), $titles),
            ...self::photos($this->list('photos'), $now->list('photos'), $titles),
        ];
    }

    /** @return list<array<string, mixed>> */
    private function list(string $key): array
    {
        /** @var list<array<string, mixed>> */
        return \is_array($this->says[$key] ?? null) ? array_values($this->says[$key]) : [];
    }

    /** @return list<string> */
    private static function changed(string $called, mixed $was, mixed $is): array
    {
        if (Procedure::canonical($was) === Procedure::canonical($is)) {
            return [];
        }
        if (\is_array($was) && \is_array($is) && ! array_is_list($was)) {
            $found = [];
            foreach (array_unique([...array_keys($was), ...array_keys($is)]) as $key) {
                $within = $called.', '.(self::WITHIN[$key] ?? $key);
                array_push($found, ...self::changed($within, $was[$key] ?? null, $is[$key] ?? null));
            }

            return $found;
        }

        return [ucfirst($called).': '.self::shown($was).' was sealed, '.self::shown($is).' stands there now.'];
    }

    /**
     * @param  list<array<string, mixed>>  $sealed
     * @param  list<array<string, mixed>>  $now
     * @param  array<string, string>  $titles
     * @return list<string>
     */
    private static function facts(array $sealed, array $now, array $titles): array
    {
        $found = [];
        [$sealed, $now] = [self::byId($sealed), self::byId($now)];
        foreach ($sealed as $id => $fact) {
            $called = 'The entry '.self::entry($fact, $titles);
            $is = $now[$id] ?? null;
            if ($is === null) {
                $found[] = "{$called} is gone.";

                continue;
            }
            foreach (SealedFact::PARTS as $part => $word) {
                if (($fact[$part] ?? null) !== ($is[$part] ?? null)) {
                    $found[] = $part === 'content'
                        ? "{$called} holds something else than was sealed."
                        : "{$called}: its {$word} was ".self::shown($fact[$part] ?? null).', and is '.self::shown($is[$part] ?? null).'.';
                }
            }
        }
        foreach (array_diff_key($now, $sealed) as $fact) {
            $found[] = 'An entry '.self::entry($fact, $titles).' came in after the seal.';
        }
        if ($found === [] && array_keys($sealed) !== array_keys($now)) {
            $found[] = 'The entries stand in another order than was sealed.';
        }

        return $found;
    }

    /**
     * @param  list<array<string, mixed>>  $sealed
     * @param  list<array<string, mixed>>  $now
     * @param  array<string, string>  $titles
     * @return list<string>
     */
    private static function photos(array $sealed, array $now, array $titles): array
    {
        $found = [];
        $there = self::byId($now);
        foreach (self::byId($sealed) as $id => $photo) {
            $is = $there[$id]['sha256'] ?? null;
            if ($is !== ($photo['sha256'] ?? null)) {
                $what = $is === null ? 'is gone.' : 'is another picture than was sealed.';
                $step = self::shown($photo['step'] ?? null);
                $found[] = 'A photo of "'.($titles[$step] ?? $step)."\" {$what}";
            }
        }

        return $found;
    }

    /**
     * @param  list<array<string, mixed>>  $rows
     * @return array<string, array<string, mixed>>
     */
    private static function byId(array $rows): array
    {
        $found = [];
        foreach ($rows as $i => $row) {
            $found[\is_string($row['id'] ?? null) ? $row['id'] : "#{$i}"] = $row;
        }

        return $found;
    }

    /**
     * "Push home" of 4 May 2026, 10:00.
     *
     * @param  array<string, mixed>  $fact
     * @param  array<string, string>  $titles
     */
    private static function entry(array $fact, array $titles): string
    {
        $step = self::shown($fact['step'] ?? null);
        $at = self::shown($fact['at'] ?? null);
        try {
            $at = (new \DateTimeImmutable($at))->format('j M Y, H:i');
        } catch (\Exception) {
            // What is no time is shown as it stands there.
        }

        return '"'.($titles[$step] ?? $step)."\" of {$at}";
    }

    private static function shown(mixed $value): string
    {
        return match (true) {
            $value === null => 'nothing',
            \is_scalar($value) => \is_bool($value) ? ($value ? 'yes' : 'no') : mb_substr((string) $value, 0, 80),
            default => mb_substr(Procedure::canonical($value), 0, 80),
        };
    }
}
