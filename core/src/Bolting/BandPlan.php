<?php

declare(strict_types=1);

namespace Diastoma\Core\Bolting;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Anything;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Findings;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;

/**
 * The turns of a positive-stop band: nut after nut, one or two turns each, again and again until the lugs touch. There is no torque.
 */
#[Calculates(
    'band-plan',
    'Which nut next, and how many turns?',
    Family::Mechanical,
    ['visits', 'steps_count', 'steps', 'reasons', 'notes', 'verdict'],
    'Geometry of thread and lug',
    verdicts: ['good', 'bad', 'open'],
    codes: ['reasons' => ['lug-open', 'no-fact:*']],
)]
final class BandPlan
{
    private const SLACK = 1e-9;

    /** A gap that wants more visits than this is no lug gap. */
    private const MOST_VISITS = 200;

    /** @return array<string, mixed> */
    public function __invoke(
        #[Number('bands', min: 1, max: 4, whole: true)] float $bands,
        #[Number('nuts_per_band', min: 1, max: 16, whole: true)] float $nuts,
        #[Number('turns_per_visit', min: 1, max: 2)] float $turns,
        #[Measure('pitch_m', Quantity::Length, above: 0, about: 'of the thread')] float $pitch,
        #[Measure('lug_gap_m', Quantity::Length, min: 0, about: 'as it is now')] float $gap,
        #[Anything('lugs_touch', about: 'a list of true or false, one of each pair of lugs', edit: 'flags')] mixed $touch = null,
        #[Number('torque_nm')] ?float $torque = null,
    ): array {
        if ($torque !== null) {
            throw Refused::field('torque_nm', 'torque_nm is no evidence here: this body has no torque, its lugs touch.');
        }
        $visits = (int) ceil($gap / ($pitch * $turns) - self::SLACK);
        if ($visits > self::MOST_VISITS) {
            throw Refused::field('lug_gap_m', "lug_gap_m is {$gap} m; at {$pitch} m a turn that is no lug gap.");
        }
        $steps = [];
        for ($visit = 1; $visit <= $visits; $visit++) {
            for ($band = 1; $band <= $bands; $band++) {
                for ($nut = 1; $nut <= $nuts; $nut++) {
                    $steps[] = [
                        'seq' => \count($steps) + 1, 'visit' => $visit, 'band' => $band, 'nut' => $nut, 'turns' => $turns,
                        // Nuts are counted through for who works and records them one by one.
                        'pass' => $visit, 'bolt' => ($band - 1) * (int) $nuts + $nut,
                    ];
                }
            }
        }
        $found = new Findings;
        foreach ($touch === null ? [null] : $this->read($touch) as $lug) {
            $found->fact($lug, 'lugs_touch', 'lug-open');
        }

        return ['visits' => max(0, $visits), 'steps_count' => \count($steps), 'steps' => $steps] + $found->toArray();
    }

    /** @return non-empty-list<bool|null> */
    private function read(mixed $touch): array
    {
        if (! \is_array($touch) || ! array_is_list($touch) || $touch === []) {
            throw Refused::field('lugs_touch', 'lugs_touch must be a list of true or false, one of each pair of lugs.');
        }
        foreach ($touch as $lug) {
            if ($lug !== null && ! \is_bool($lug)) {
                throw Refused::field('lugs_touch', 'lugs_touch must hold true or false only.');
            }
        }

        return $touch;
    }
}
