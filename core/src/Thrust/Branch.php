<?php

declare(strict_types=1);

namespace Diastoma\Core\Thrust;

use Diastoma\Core\Compare;
use Diastoma\Core\Refused;

/** The second diameter of a tee or a reducer: asked for, and held against the first. */
final class Branch
{
    public static function od(?float $branch, float $od): float
    {
        $branch ??= throw Refused::field('branch_od_m', 'branch_od_m is missing: a tee pushes by its branch.');
        if (! Compare::atMost($branch, $od)) {
            throw Refused::field('branch_od_m', "branch_od_m is {$branch} m; a branch is no larger than its run of {$od} m.");
        }

        return $branch;
    }

    public static function smaller(?float $small, float $od): float
    {
        $small ??= throw Refused::field('small_od_m', 'small_od_m is missing: a reducer pushes by both sizes.');
        if ($small >= $od) {
            throw Refused::field('small_od_m', "small_od_m is {$small} m; it must be under od_m, {$od} m.");
        }

        return $small;
    }
}
