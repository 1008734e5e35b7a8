<?php

declare(strict_types=1);

namespace Diastoma\Core\Programme;

/** When the trench is open and the pipe lies in it, joint after joint: the machine that is free first goes on to the next. */
final class OpenTrench
{
    /**
     * @param  list<DayJoint>  $joints
     * @return list<array{float, float}> from, to, s; of one that waits for no machine, its turn and nothing more
     */
    public static function times(array $joints, DayMeans $means): array
    {
        $free = array_fill(0, $means->plant, 0.0);
        $times = [];
        foreach ($joints as $joint) {
            if ($joint->open <= 0.0) {
                $times[] = [0.0, 0.0];

                continue;
            }
            $from = $means->open($free[0] ?? throw new \LogicException('No machine opens the trench'), $joint->open);
            $free = FreeFrom::taken($free, $from, $from + $joint->open);
            $times[] = [$from, $from + $joint->open];
        }

        return $times;
    }
}
