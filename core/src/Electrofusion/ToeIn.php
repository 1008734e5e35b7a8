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

/** Shrinkage of the cut end, and how much to cut off to be rid of it. */
#[Calculates('toe-in', 'Must a short piece be cut off?', Family::Electrofusion, ['toe_in_mm', 'toe_in_pct', 'cut_off_mm', 'verdict'], 'Geometry; limit from the procedure')]
final class ToeIn
{
    /**
     * @param  list<ToeInStation>  $profile
     * @return array<string, mixed>
     */
    public function __invoke(
        #[Items('profile', ToeInStation::class, atLeast: 2, about: 'from the end inwards; the last one on undisturbed pipe')] array $profile,
        #[Measure('limit_mm', Quantity::Length, min: 0)] ?float $limit = null,
    ): array {
        foreach ($profile as $i => $station) {
            if ($i > 0 && $station->x <= $profile[$i - 1]->x) {
                throw Refused::field('profile', sprintf('profile, row %d: x must grow from the end inwards; %g mm follows %g mm.', $i + 1, Si::mm($station->x), Si::mm($profile[$i - 1]->x)));
            }
        }
        $far = $profile[count($profile) - 1]->od;
        $toe = $far - $profile[0]->od;

        return [
            'toe_in_mm' => Si::mm($toe), 'toe_in_pct' => 100 * $toe / $far,
            'cut_off_mm' => $limit === null ? null : Si::mm($this->cutOff($profile, $far - $limit)),
            'verdict' => ($limit === null ? Verdict::Open : (Compare::atMost($toe, $limit) ? Verdict::Good : Verdict::Bad))->value,
        ];
    }

    /** @param  list<ToeInStation>  $profile */
    private function cutOff(array $profile, float $wanted): float
    {
        foreach ($profile as $i => $station) {
            if (Compare::atLeast($station->od, $wanted)) {
                if ($i === 0) {
                    return 0.0;
                }
                $before = $profile[$i - 1];

                return $before->x + ($wanted - $before->od) / ($station->od - $before->od) * ($station->x - $before->x);
            }
        }

        return $profile[count($profile) - 1]->x;
    }
}
