<?php

namespace App\Programme;

use App\Support\Say;
use Diastoma\Core\Programme\Shift;
use Diastoma\Core\Refused;

/** What there is for the days to come, and when hands work. */
final readonly class DayAsked
{
    /** More of a kind nobody plans with. */
    private const MOST = 20;

    /** How an act is asked for, where somebody types how long it takes; minutes. */
    public const ACTS = ['open_min', 'prepare_min', 'fit_min', 'fuse_min', 'cool_min', 'rest_min', 'test_min'];

    /**
     * @param  int  $clamps  sets
     * @param  int  $plant  machines that open the trench and set the pipe, where somebody says how long that takes
     * @param  int  $openAhead  joints for which the trench is open already
     * @param  array<string, float>  $acts  minutes as typed, by act; one that nobody typed is missing
     * @param  list<int>  $days  of the week, 1 Monday to 7 Sunday
     * @param  float  $rain  minutes from now on
     */
    public function __construct(
        public int $crews,
        public int $clamps,
        public int $boxes,
        public float $move,
        public array $acts,
        public string $shiftFrom,
        public string $shiftTo,
        public ?string $pauseFrom,
        public ?string $pauseTo,
        public array $days,
        public float $rain,
        public int $plant = 1,
        public int $openAhead = 0,
    ) {
    }

    /** What a page starts from where nobody has said anything. */
    public static function usual(): self
    {
        return new self(1, 1, 1, 5.0, [], '07:00', '16:30', '12:00', '12:30', [1, 2, 3, 4, 5], 0.0);
    }

    /**
     * The same with what the stores hold; one of each is there to be planned with, even where none is.
     *
     * @param  array<string, array{usable: int, there: int}>  $stores
     */
    public static function usualWith(array $stores): self
    {
        $usable = array_map(fn (array $count): int => max(1, min(self::MOST, $count['usable'])), $stores);

        return self::from($usable + self::usual()->toArray());
    }

    /** @param  array<string, mixed>  $kept  as it was kept or sent */
    public static function from(array $kept): self
    {
        $kept += self::usual()->toArray();
        $acts = [];
        foreach (self::ACTS as $key) {
            if (isset($kept[$key])) {
                $acts[substr($key, 0, -\strlen('_min'))] = (float) $kept[$key];
            }
        }

        return new self(
            (int) $kept['crews'],
            (int) $kept['clamps'],
            (int) $kept['boxes'],
            (float) $kept['move_min'],
            $acts,
            $kept['shift_from'],
            $kept['shift_to'],
            $kept['pause_from'],
            $kept['pause_to'],
            array_values(array_map(intval(...), $kept['work_days'])),
            (float) $kept['rain_min'],
            (int) $kept['plant'],
            (int) $kept['open_ahead'],
        );
    }

    /** @return array<string, mixed> as it is kept and sent */
    public function toArray(): array
    {
        $acts = [];
        foreach (self::ACTS as $key) {
            $acts[$key] = $this->acts[substr($key, 0, -\strlen('_min'))] ?? null;
        }

        return [
            'crews' => $this->crews, 'clamps' => $this->clamps, 'boxes' => $this->boxes, 'move_min' => $this->move, ...$acts,
            'shift_from' => $this->shiftFrom, 'shift_to' => $this->shiftTo,
            'pause_from' => $this->pauseFrom, 'pause_to' => $this->pauseTo,
            'work_days' => $this->days, 'rain_min' => $this->rain,
            'plant' => $this->plant, 'open_ahead' => $this->openAhead,
        ];
    }

    public function shift(\DateTimeZone $zone): Shift
    {
        if (($this->pauseFrom === null) !== ($this->pauseTo === null)) {
            throw Refused::field('pause_to', Say::text('refused.pauseHalfSaid'));
        }

        return new Shift(
            self::minute($this->shiftFrom),
            self::minute($this->shiftTo),
            $this->pauseFrom === null ? null : [self::minute($this->pauseFrom), self::minute((string) $this->pauseTo)],
            $this->days === [] ? throw Refused::field('work_days', Say::text('refused.noDayOfWork')) : $this->days,
            $zone,
        );
    }

    /** Minutes as typed for an act, or null. */
    public function typed(string $act): ?float
    {
        return $this->acts[$act] ?? null;
    }

    private static function minute(string $clock): int
    {
        [$hours, $minutes] = array_map(intval(...), explode(':', $clock));

        return 60 * $hours + $minutes;
    }
}
