<?php

namespace App\Http\Requests;

use App\Support\Say;
use Diastoma\Core\Laying\CentreLine;
use Diastoma\Core\Refused;

/** A place of a line: by its chainage, or by a point, of which the nearest place of the line is taken. */
final class NearPlace extends MemberRequest
{
    public function rules(): array
    {
        return [
            'at_m' => 'nullable|numeric',
            'easting' => 'nullable|numeric|between:-1e8,1e8',
            'northing' => 'nullable|numeric|between:-1e8,1e8',
        ];
    }

    /** @return array{float, float|null} chainage, and how far the point lies from the line (right of it is plus), m */
    public function place(): array
    {
        $line = $this->line();
        $said = $this->validated();
        if (isset($said['at_m'])) {
            $at = (float) $said['at_m'];
            [$start, $end] = [$line->centre_line[0][0], $line->centre_line[0][0] + $line->length()];
            if ($at < $start - 1e-6 || $at > $end + 1e-6) {
                throw Refused::field(
                    'at_m',
                    Say::text('refused.placeOffTheLine', ['at' => $at, 'start' => $start, 'end' => $end]),
                );
            }

            return [$at, null];
        }
        foreach (['easting', 'northing'] as $key) {
            if (! isset($said[$key])) {
                throw Refused::field($key, Say::text('refused.whereToLook'));
            }
        }

        return (new CentreLine($line->centre_line))->nearest((float) $said['easting'], (float) $said['northing']);
    }
}
