<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Items;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Compare;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;

/** How long after power-off the joint may see the test pressure: a multiple of the cooling time, a fixed time or a table. */
final readonly class TestRule
{
    /** @param  list<WaitRow>|null  $rows */
    public function __construct(
        #[Choice('type', ['multiple', 'fixed', 'table'])] public string $type,
        #[Number('factor', min: 1, max: 100)] public ?float $factor = null,
        #[Measure('after_fusion_s', Quantity::Time, min: 0)] public ?float $after = null,
        #[Items('rows', WaitRow::class)] public ?array $rows = null,
    ) {
        $wanted = ['multiple' => $factor, 'fixed' => $after, 'table' => $rows][$type];
        if ($wanted === null) {
            throw Refused::field(
                'test_rule',
                "test_rule: the type {$type} needs ".
                    ['multiple' => 'factor', 'fixed' => 'after_fusion_s', 'table' => 'rows'][$type].
                    '.',
            );
        }
    }

    /** Seconds from power-off, before the cooling time is taken as the least. */
    public function wait(float $cooling, ?float $pressure): float
    {
        if ($this->type !== 'table') {
            return $this->type === 'multiple' ? (float) $this->factor * $cooling : (float) $this->after;
        }
        if ($pressure === null) {
            throw Refused::field('test_bar', 'test_bar is missing: the waiting table goes by test pressure.');
        }
        $rows = $this->rows ?? [];
        usort($rows, fn (WaitRow $a, WaitRow $b) => $a->upTo <=> $b->upTo);
        foreach ($rows as $row) {
            if (Compare::atMost($pressure, $row->upTo)) {
                return $row->wait;
            }
        }
        throw Refused::field(
            'test_bar',
            sprintf('test_bar is %g bar; the waiting table ends at %g bar.', Si::bar($pressure), Si::bar($rows[\count($rows) - 1]->upTo)),
        );
    }
}
