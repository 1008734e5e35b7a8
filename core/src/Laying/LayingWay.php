<?php

declare(strict_types=1);

namespace Diastoma\Core\Laying;

/**
 * Which way a plan is laid: sockets face on, towards the next pipe. Laid uphill the joint is pushed together by its own weight and
 * water runs away from where people work (common practice; for a sewer the rule).
 *
 * @phpstan-import-type Laid from LaidOut
 */
final readonly class LayingWay
{
    /** Flatter than this a pipe lies level, rise over run. */
    private const LEVEL = 1e-6;

    private function __construct(public float $rise, public int $falling)
    {
    }

    /** @param  list<Laid>  $rows */
    public static function of(array $rows): self
    {
        $falls = fn (array $row): bool => $row['grade_ratio'] < -self::LEVEL;
        $rise = $rows === [] ? 0.0 : $rows[\count($rows) - 1]['to']['invert_m'] - $rows[0]['from']['invert_m'];

        return new self($rise, \count(array_filter($rows, $falls)));
    }

    /** @return array{rise_m: float, falling_count: int} from the face to the end of what is laid out; pipes and bends that fall */
    public function toArray(): array
    {
        return ['rise_m' => $this->rise, 'falling_count' => $this->falling];
    }
}
