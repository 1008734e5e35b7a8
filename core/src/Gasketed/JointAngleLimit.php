<?php

declare(strict_types=1);

namespace Diastoma\Core\Gasketed;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Compare;
use Diastoma\Core\Data;
use Diastoma\Core\Refused;

/**
 * The largest angle that a standard gives for a joint of this size. The maker's own figure rules where it is lower; between
 * two rows of a table nothing is guessed.
 */
#[Calculates(
    'joint-angle-limit',
    'How far may the joint be deflected, by the standard?',
    Family::Gasketed,
    ['limit_deg', 'limit_mm_per_m', 'source', 'ruling_deg', 'ruling'],
    'The standard of each rule; see core/data/gasketed/angle-limits.json',
)]
final class JointAngleLimit
{
    private const RULES = [
        'awwa-c600-push-on', 'awwa-c600-mj', 'en-545-flexible', 'en-545-restrained', 'iso-23856-flexible', 'en-295',
        'none',
    ];

    private const MAKERS = "the maker's sheet";

    /**
     * @return array{
     *     limit_deg: float|null, limit_mm_per_m: float|null, source: string|null, ruling_deg: float, ruling: string
     * } `ruling_deg`: the lower of the standard's and the maker's; `ruling`: whose it is
     *
     * @throws Refused for a size of which neither the standard nor the maker says anything
     */
    public function __invoke(
        #[Choice('rule', self::RULES)] string $rule,
        #[Number('nominal', above: 0, about: 'inch for the AWWA rules, else DN')] float $nominal,
        #[Number('maker_deg', above: 0, max: 15, about: 'largest angle by the maker of the pipe')] ?float $maker = null,
    ): array {
        /** @var array<string, array{source: string, rows: list<array{from: float, to?: float, deg?: float, mm_per_m?: float}>}> $all */
        $all = Data::json('gasketed/angle-limits.json')['rules'];
        foreach ($all[$rule]['rows'] as $row) {
            if (Compare::atLeast($nominal, $row['from']) && (! isset($row['to']) || Compare::atMost($nominal, $row['to']))) {
                $rise = $row['mm_per_m'] ?? null;
                $standard = $row['deg'] ?? rad2deg(atan((float) $rise / 1000));
                $isMakers = $maker !== null && $maker < $standard;

                return [
                    'limit_deg' => $standard,
                    'limit_mm_per_m' => $rise,
                    'source' => $all[$rule]['source'],
                    'ruling_deg' => $isMakers ? $maker : $standard,
                    'ruling' => $isMakers ? self::MAKERS : $all[$rule]['source'],
                ];
            }
        }
        if ($maker !== null) {
            return ['limit_deg' => null, 'limit_mm_per_m' => null, 'source' => null, 'ruling_deg' => $maker, 'ruling' => self::MAKERS];
        }
        if ($all[$rule]['rows'] === []) {
            throw Refused::field('maker_deg', 'maker_deg is missing: no standard gives an angle for this joint, the maker does.');
        }
        $sizes = array_map(fn (array $row) => $row['from'].' '.match (true) {
            ! isset($row['to']) => 'and above',
            $row['to'] == $row['from'] => '',
            default => "to {$row['to']}",
        }, $all[$rule]['rows']);
        throw Refused::field('nominal', "nominal is {$nominal}; {$rule} has ".implode(', ', array_map(trim(...), $sizes)).'.');
    }
}
