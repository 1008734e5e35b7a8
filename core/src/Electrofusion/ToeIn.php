<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Items;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Compare;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;
use Diastoma\Core\Verdict;

/**
 * Shrinkage of the cut end, and how much to cut off to be rid of it. Good only where the end was read and the pipe
 * behind the shrinkage too: a profile that begins behind the toe, or ends in it, shows none.
 */
#[Calculates(
    'toe-in',
    'Must a short piece be cut off?',
    Family::Electrofusion,
    ['toe_in_mm', 'toe_in_pct', 'cut_off_mm', 'reasons', 'verdict'],
    'Geometry; limit from the procedure',
    verdicts: ['good', 'bad', 'open'],
    codes: ['reasons' => ['end-not-read', 'back-not-read', 'end-larger']],
)]
final class ToeIn
{
    /**
     * @param  non-empty-list<ToeInStation>  $profile
     * @return array<string, mixed>
     */
    public function __invoke(
        #[Items('profile', ToeInStation::class, atLeast: 2, about: 'from the end inwards; the last one on undisturbed pipe')]
        array $profile,
        #[Measure('limit_mm', Quantity::Length, min: 0)] ?float $limit = null,
        #[Measure('end_zone_mm', Quantity::Length, min: 0, about: 'how near the end counts as the end')] float $endZone = 0.01,
        #[Measure('toe_back_mm', Quantity::Length, above: 0, about: 'distance from the end at which the pipe counts as undisturbed')]
        float $toeBack = 0.1,
    ): array {
        foreach ($profile as $i => $station) {
            if ($i > 0 && $station->x <= $profile[$i - 1]->x) {
                throw Refused::field(
                    'profile',
                    sprintf(
                        'profile, row %d: x must grow from the end inwards; %g mm follows %g mm.',
                        $i + 1,
                        Si::mm($station->x),
                        Si::mm($profile[$i - 1]->x),
                    ),
                );
            }
        }
        $far = $profile[\count($profile) - 1]->od;
        $toe = $far - min(array_map(fn (ToeInStation $s) => $s->od, $profile));
        $reasons = [];
        if (! Compare::atMost($profile[0]->x, $endZone)) {
            $reasons[] = 'end-not-read';
        }
        if (! Compare::atLeast($profile[\count($profile) - 1]->x, $toeBack)) {
            $reasons[] = 'back-not-read';
        }
        if ($limit !== null && ! Compare::atMost($profile[0]->od - $far, $limit)) {
            // A cut end does not grow: the two were read the wrong way round, or one of them at a wrong place.
            $reasons[] = 'end-larger';
        }

        return [
            'toe_in_mm' => Si::mm($toe), 'toe_in_pct' => 100 * $toe / $far,
            'cut_off_mm' => $limit === null ? null : Si::mm($this->cutOff($profile, $far - $limit)),
            'reasons' => $reasons,
            'verdict' => (match (true) {
                $limit === null => Verdict::Open,
                ! Compare::atMost($toe, $limit) => Verdict::Bad,
                default => $reasons === [] ? Verdict::Good : Verdict::Open,
            })->value,
        ];
    }

    /**
     * Where the diameter comes up to the wanted one for the last time.
     *
     * @param  non-empty-list<ToeInStation>  $profile
     */
    private function cutOff(array $profile, float $wanted): float
    {
        for ($i = \count($profile) - 1; $i >= 0 && Compare::atLeast($profile[$i]->od, $wanted); $i--) {
        }
        if ($i < 0) {
            return 0.0;
        }
        $before = $profile[$i];
        $after = $profile[$i + 1];

        return $before->x + ($wanted - $before->od) / ($after->od - $before->od) * ($after->x - $before->x);
    }
}
