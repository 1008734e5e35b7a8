<?php

declare(strict_types=1);

namespace Diastoma\Core\Programme;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Items;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Round\Median;
use Diastoma\Core\Units\Quantity;

/**
 * How long a crew takes for each act, by the joints that it made: the middle of them, so that one with a break in it counts little.
 * That a joint stood ready and waited for clamps is no work and is taken off.
 */
#[Calculates(
    'crew-pace',
    'How long does this crew take for a joint?',
    Family::Measuring,
    [
        'prepare_min', 'prepare_joints', 'fit_min', 'fit_joints', 'fuse_min', 'fuse_joints', 'cool_min', 'cool_joints', 'rest_min',
        'rest_joints', 'left_out',
    ],
    'Middle of the times between entries; a joint waits until the clamps of the one before are off',
)]
final class CrewPace
{
    private const MINUTE = 60.0;

    /** Hands that took less were not watched: what was done was written down afterwards, s. */
    private const WRITTEN_AFTERWARDS = 60.0;

    /** What a clock says holds no break, and may be nothing. */
    private const BY_CLOCK = ['cool', 'rest'];

    /**
     * @param  non-empty-list<MadeJoint>  $joints  in the order in which they were made
     * @param  float  $longest  s: a longer time holds a break, a night or a late entry, and is left out
     * @return array<string, mixed> minutes, null where no joint tells; how many told; `rest_min`: from cold to the test; `left_out`:
     * joints of which a time was too long, or so short that it was written down afterwards
     */
    public function __invoke(
        #[Items('joints', MadeJoint::class, atMost: 400)] array $joints,
        #[Number('clamps', min: 0, max: 50, whole: true, about: 'sets; 0 where joints need none')] float $clamps = 1.0,
        #[Measure('longest_min', Quantity::Time, above: 0, max: 1440, about: 'a longer time holds a break')]
        float $longest = 14400.0,
    ): array {
        $times = ['prepare' => [], 'fit' => [], 'fuse' => [], 'cool' => [], 'rest' => []];
        $leftOut = [];
        foreach ($joints as $i => $joint) {
            $before = $clamps > 0 ? $joints[$i - (int) $clamps] ?? null : null;
            foreach ($this->acts($joint, $before?->freeAt) as $act => $took) {
                if ($took === null || $took < 0.0) {
                    continue;
                }
                $shortest = $act === 'fuse' ? 1.0 : self::WRITTEN_AFTERWARDS;
                if (! \in_array($act, self::BY_CLOCK, true) && ($took < $shortest || $took > $longest)) {
                    $leftOut[$joint->joint] = $joint->joint;
                } else {
                    $times[$act][] = $took;
                }
            }
        }
        $answer = [];
        foreach ($times as $act => $took) {
            $answer["{$act}_min"] = $took === [] ? null : Median::of($took) / self::MINUTE;
            $answer["{$act}_joints"] = \count($took);
        }

        return $answer + ['left_out' => array_values($leftOut)];
    }

    /** @return array<'prepare'|'fit'|'fuse'|'cool'|'rest', float|null> s */
    private function acts(MadeJoint $joint, ?\DateTimeImmutable $clampsFree): array
    {
        // It could be fitted when it was ready, and a set of clamps was free.
        $waited = $clampsFree !== null && $joint->fusedFrom !== null && $clampsFree > $joint->readyAt && $clampsFree < $joint->fusedFrom;
        $fitFrom = $waited ? $clampsFree : $joint->readyAt;

        return [
            'prepare' => self::between($joint->firstAt, $joint->readyAt),
            'fit' => self::between($fitFrom, $joint->fusedFrom ?? $joint->joinedAt),
            'fuse' => $joint->fusedFrom === null ? null : self::between($joint->fusedFrom, $joint->joinedAt),
            'cool' => self::between($joint->joinedAt, $joint->coldAt),
            'rest' => self::between($joint->coldAt, $joint->testFrom),
        ];
    }

    private static function between(?\DateTimeImmutable $from, ?\DateTimeImmutable $to): ?float
    {
        return $from === null || $to === null ? null : (float) $to->format('U.u') - (float) $from->format('U.u');
    }
}
