<?php

declare(strict_types=1);

namespace Diastoma\Core\Programme;

/**
 * How long an act takes, and how that is known: typed by who plans, read off what is used, from the crew's own joints, or a start
 * value of the procedure. What is known best counts.
 */
final readonly class ActTime
{
    public const TYPED = 'typed';

    public const READ = 'read';

    public const CREW = 'crew';

    public const TEXT = 'text';

    /**
     * @param  float|null  $min  null: nobody knows
     * @param  self::*|null  $from
     * @param  int  $joints  of the crew, by which it is known
     */
    private function __construct(
        public string $act,
        public ?float $min,
        public ?string $from,
        public int $joints,
        public ?string $source,
        public ?string $certainty,
    ) {
    }

    /**
     * @param  float|null  $typed  minutes
     * @param  array{min: float, source: string, certainty: string}|null  $told  by the procedure; of certainty "project" it was read
     * @param  array<string, mixed>  $pace  what {@see CrewPace} says
     */
    public static function best(string $act, ?float $typed, ?array $told, array $pace): self
    {
        if ($typed !== null) {
            return new self($act, $typed, self::TYPED, 0, null, null);
        }
        if ($told !== null && $told['certainty'] === 'project') {
            return new self($act, $told['min'], self::READ, 0, $told['source'], $told['certainty']);
        }
        $own = $pace["{$act}_min"] ?? null;
        $joints = $pace["{$act}_joints"] ?? 0;
        if (\is_float($own) && \is_int($joints)) {
            return new self($act, $own, self::CREW, $joints, null, null);
        }

        return new self(
            $act,
            $told['min'] ?? null,
            $told === null ? null : self::TEXT,
            0,
            $told['source'] ?? null,
            $told['certainty'] ?? null,
        );
    }

    /** @return array{act: string, min: float|null, from: string|null, joints: int, source: string|null, certainty: string|null} */
    public function toArray(): array
    {
        return [
            'act' => $this->act, 'min' => $this->min, 'from' => $this->from, 'joints' => $this->joints,
            'source' => $this->source, 'certainty' => $this->certainty,
        ];
    }
}
