<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Compile;

use Diastoma\Core\Calculation\Registry;

/**
 * Leads what a drawing is drawn from anywhere? A limit under a name that no result has is a round without its limit.
 *
 * @phpstan-import-type StepText from AsWritten
 */
final readonly class DrawingCheck
{
    private const SHAPES = ['gap', 'ovality', 'radii', 'trace', 'log', 'printed-label'];

    public function __construct(private Reader $reader)
    {
    }

    /** @param  StepText  $step */
    public function check(array $step): void
    {
        $drawing = $step['drawing'] ?? [];
        if ($drawing === []) {
            return;
        }
        $shape = $drawing['shape'] ?? '';
        if (! \in_array($shape, self::SHAPES, true)) {
            $this->reader->below('shape')->fault("\"{$shape}\" is no drawing; ".Nearest::to($shape, self::SHAPES));
        }
        foreach (['u_nom', 'u_tol', 'plan'] as $key) {
            if (isset($drawing[$key])) {
                $this->reader->below($key)->expression($drawing[$key]);
            }
        }
        if ($shape === 'printed-label') {
            $this->reader->below('of')->expression('$step.'.($drawing['of'] ?? ''));
        } elseif (isset($drawing['of']) || isset($drawing['limit']) || isset($drawing['value'])) {
            $this->results($step, $drawing);
        }
    }

    /**
     * @param  StepText  $step
     * @param  array<string, string>  $drawing
     */
    private function results(array $step, array $drawing): void
    {
        $calculations = [];
        foreach ([...$step['guide'] ?? [], ...$step['judge'] ?? []] as $rule) {
            $calculations[$rule['calc_as'] ?? $rule['calc']] = $rule['calc'];
        }
        $of = $drawing['of'] ?? '';
        if (! isset($calculations[$of])) {
            $this->reader->below('of')->fault("\"{$of}\" is no calculation of this step; ".Nearest::to($of, array_keys($calculations)));

            return;
        }
        if (! Registry::standard()->has($calculations[$of])) {
            return;
        }
        $gives = Registry::standard()->about($calculations[$of])->gives;
        foreach (['limit', 'value'] as $key) {
            if (isset($drawing[$key]) && ! \in_array($drawing[$key], $gives, true)) {
                $this->reader->below($key)->fault("\"{$drawing[$key]}\" is no result of {$of}; ".Nearest::to($drawing[$key], $gives));
            }
        }
    }
}
