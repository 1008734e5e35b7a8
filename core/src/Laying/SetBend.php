<?php

declare(strict_types=1);

namespace Diastoma\Core\Laying;

use Diastoma\Core\Refused;

/**
 * A bend in its corner: both its joints lie on the line, and what the corner turns by more or less than the bend is shared by the two.
 * With legs of length L, a bend of B and a corner of D the joints lie L cos(B/2) / cos(D/2) from the corner, for then the chord
 * between them is that of the bend.
 */
final readonly class SetBend
{
    /** A corner is found so near to where it is said to be, m. */
    private const NEAR_M = 0.05;

    /** What turns by less than this is no corner for a bend, degrees. */
    public const CORNER_DEG = 0.5;

    /**
     * @param  float  $from  chainage of its first joint, m
     * @param  float  $to  chainage of its second joint, m
     * @param  Direction  $enters  of its first leg
     * @param  Direction  $leaves  of its second leg
     * @param  OffLine  $off  of its centre
     */
    private function __construct(
        public PlacedBend $bend,
        public float $from,
        public float $to,
        public Direction $enters,
        public Direction $leaves,
        public OffLine $off,
    ) {
    }

    /** @throws Refused where there is no such corner, or no room for the bend in it */
    public static function in(Alignment $line, PlacedBend $bend): self
    {
        [$at, $turn] = $line->sharpestCorner($bend->at - self::NEAR_M, $bend->at + self::NEAR_M);
        if ($turn < self::CORNER_DEG || $turn >= 179) {
            throw Refused::field('bends', sprintf(
                'The bend of %s° at %.2f m has no corner of the line: it turns by %.2f° there.', $bend->turn, $bend->at, $turn,
            ));
        }
        $reach = $bend->leg * cos(deg2rad($bend->turn / 2)) / cos(deg2rad($turn / 2));
        [$before, $after] = [$line->straightBefore($at), $line->straightAfter($at)];
        if ($before->metres < $reach - 1e-9 || $after->metres < $reach - 1e-9) {
            throw Refused::field('bends', sprintf(
                'The bend of %s° at %.2f m would have its joints %.2f m from its corner; the line runs straight for %.2f m before and '
                .'%.2f m after it.', $bend->turn, $at, $reach, $before->metres, $after->metres,
            ));
        }
        $each = ($turn - $bend->turn) / 2;
        $off = abs($reach * sin(deg2rad($turn / 2)) - $bend->leg * sin(deg2rad($bend->turn / 2)));
        $upright = $off * abs($before->direction->riseTo($after->direction)) / (2 * sin(deg2rad($turn / 2)));

        return new self(
            $bend,
            $at - $reach * $before->chainagePerMetre,
            $at + $reach * $after->chainagePerMetre,
            $before->direction->turned($after->direction, $each),
            $before->direction->turned($after->direction, $turn - $each),
            new OffLine($off, sqrt(max(0.0, $off ** 2 - $upright ** 2)), $upright),
        );
    }
}
