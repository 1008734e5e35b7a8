<?php

declare(strict_types=1);

namespace Diastoma\Core\Bolting;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Items;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Calculation\Field\Numbers;
use Diastoma\Core\Compare;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;

/** Which bolt next, and to what torque. Passes are data of the procedure; the last one is to the whole target. */
#[Calculates(
    'tighten-plan',
    'Which bolt next, and to what torque?',
    Family::Mechanical,
    ['steps', 'first_pass_order', 'pass_torques_nm', 'steps_count'],
    'ASME PCC-1, legacy cross pattern and percentages (order of the groups from memory); beyond 32 bolts and between common practice',
)]
final class TightenPlan
{
    /** Binary rounding does not decide a half. */
    private const SLACK = 1e-9;

    /**
     * @param  list<BoltPass>  $passes
     * @param  list<int>|null  $order
     * @return array<string, mixed>
     */
    public function __invoke(
        #[Number('bolts', min: 2, max: 64, whole: true)] float $bolts,
        #[Measure('target_nm', Quantity::Torque, above: 0)] float $target,
        #[Items('passes', BoltPass::class)] array $passes,
        #[Measure('round_nm', Quantity::Torque, min: 0, about: 'what the wrench can be set to; 0: anything')] float $round = 1.0,
        #[Measure('max_nm', Quantity::Torque, above: 0)] ?float $most = null,
        #[Numbers('order', about: 'of a cross pass, where the procedure has its own')] ?array $order = null,
    ): array {
        $n = (int) $bolts;
        if ($most !== null && ! Compare::atMost($target, $most)) {
            throw Refused::field('target_nm', sprintf('target_nm is %g N·m, over the %g N·m that are allowed at most.', $target, $most));
        }
        $this->mustRise($passes);
        if ($order !== null && ! $this->isPermutation($order, $n)) {
            throw Refused::field('order', "order must name each of the bolts 1 to {$n} once.");
        }
        $order ??= CrossPattern::order($n);
        $steps = [];
        $torques = [];
        foreach ($passes as $i => $pass) {
            $torques[] = $torque = $this->torque($target, $pass->fraction, $round);
            foreach ($pass->pattern === 'cross' ? $order : range(1, $n) as $bolt) {
                $steps[] = [
                    'seq' => \count($steps) + 1,
                    'pass' => $i + 1,
                    'pattern' => $pass->pattern,
                    'bolt' => $bolt,
                    'torque_nm' => $torque,
                ];
            }
        }

        return [
            'steps' => $steps,
            'first_pass_order' => array_column(\array_slice($steps, 0, $n), 'bolt'),
            'pass_torques_nm' => $torques,
            'steps_count' => \count($steps),
        ];
    }

    /** @param  list<BoltPass>  $passes */
    private function mustRise(array $passes): void
    {
        foreach ($passes as $i => $pass) {
            if ($i > 0 && $pass->fraction < $passes[$i - 1]->fraction - self::SLACK) {
                throw Refused::field('passes', 'passes, row '.($i + 1).": fraction {$pass->fraction} is less than in the pass before.");
            }
        }
        if (abs($passes[\count($passes) - 1]->fraction - 1) > self::SLACK) {
            throw Refused::field('passes', 'passes: the last fraction must be 1, the whole target.');
        }
    }

    /** @param  list<int>  $order */
    private function isPermutation(array $order, int $n): bool
    {
        sort($order);

        return $order === range(1, $n);
    }

    private function torque(float $target, float $fraction, float $round): float
    {
        if (abs($fraction - 1) <= self::SLACK || $round <= 0) {
            return abs($fraction - 1) <= self::SLACK ? $target : $target * $fraction;
        }

        return min($target, max($round, floor($target * $fraction / $round + 0.5 + self::SLACK) * $round));
    }
}
