<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest\Decline;

/** What a fall of pressure was found to be. */
final readonly class Decline
{
    public const CLASSES = ['tight', 'rising', 'leak', 'stabilising', 'creep', 'temperature', 'cannot-tell'];

    /** Why it cannot be told. */
    public const WHYS = [
        'too-short', 'temperature-and-time-together', 'temperature-not-logged', 'unexplained', 'too-close', 'not-flat-yet',
        'power-law-without-plastic',
    ];

    /** What to do next, one for each class. */
    public const NEXT = [
        'hold-on', 'warmed-or-pumped', 'walk-and-halve', 'restart-when-flat', 'pe-procedure', 'compensate-or-wait', 'log-longer',
    ];

    /**
     * @param  string  $class  one of CLASSES
     * @param  string|null  $why  it cannot be told
     * @param  array<string, float>  $found  floor_kpa, fall_kpa, rate_kpa_h … as far as they are known
     * @param  HoldBlocks|null  $measured  as it was logged
     * @param  TemperatureFit|null  $weather  what was taken out of it
     * @param  Course|null  $course  the best of all
     */
    public function __construct(
        public string $class,
        public ?string $why,
        public array $found = [],
        private ?HoldBlocks $measured = null,
        private ?TemperatureFit $weather = null,
        private ?Course $course = null,
    ) {
    }

    /** @return array<string, mixed> as `classify-decline` says it */
    public function answer(): array
    {
        return ['class' => $this->class] + ($this->why === null ? [] : ['why' => $this->why]) + $this->found
            + ['next' => array_combine(self::CLASSES, self::NEXT)[$this->class]];
    }

    /**
     * What it is taken for, drawn: the course that fits best, with the weather in it.
     *
     * @return list<array{float, float}> [s from the first sample, kPa]; none where nothing fits
     */
    public function drawn(): array
    {
        if ($this->measured === null || ($this->course === null && $this->weather === null)) {
            return [];
        }
        $pressures = $this->measured->pressures;
        // Without a course, all that is left beside the weather is a level line.
        $level = $this->weather->corrected ?? [];
        $mean = array_sum($level) / \count($pressures);
        $points = [];
        foreach ($this->measured->times as $i => $at) {
            $points[] = [$at, $pressures[$i] - ($this->course->residuals[$i] ?? ($level[$i] ?? $mean) - $mean)];
        }

        return $points;
    }
}
