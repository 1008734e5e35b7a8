<?php

namespace App\Actions;

use App\Models\Stretch;
use App\Models\Subject;
use Diastoma\Core\Procedure\FieldSpec;
use Diastoma\Core\Procedure\Step;

/** What came with the deliveries of a line and was right, for who writes down of which batch a gasket was. */
final class OfferBatches
{
    /** More at a time nobody reads. */
    private const MOST = 6;

    /** @return list<array{what: string, batch: string, of: string}> of the newest delivery first; each batch once */
    public function __invoke(Subject $subject): array
    {
        if (! self::asks($subject)) {
            return [];
        }
        $deliveries = Stretch::query()->where('line_id', $subject->line()->id)->whereNotNull('batches')->latest()->orderByDesc('id')->get();
        $offered = [];
        $known = [];
        foreach ($deliveries as $delivery) {
            foreach ($delivery->batches ?? [] as $batch) {
                $key = "{$batch['what']} {$batch['batch']}";
                if (! isset($known[$key])) {
                    $known[$key] = true;
                    $offered[] = ['what' => $batch['what'], 'batch' => $batch['batch'], 'of' => $delivery->name()];
                }
            }
        }

        return \array_slice($offered, 0, self::MOST);
    }

    private static function asks(Subject $subject): bool
    {
        return array_any($subject->procedure()->steps, fn (Step $step) => array_any($step->fields, fn (FieldSpec $f) => $f->delivered));
    }
}
