<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

/** A calculation that says what to do while a device still records: it is run again as its readings come, and judges nothing. */
final readonly class Live
{
    /** @param  string  $series  name of the input that takes the readings */
    public function __construct(public string $calculation, public string $series, private Binding $inputs)
    {
    }

    /** @return array{calc: string, series: string, in: array<string, mixed>} without the readings, which whoever shows it has */
    public function known(Known $known): array
    {
        return ['calc' => $this->calculation, 'series' => $this->series, 'in' => $this->inputs->known($known)];
    }
}
