<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Anything;
use Diastoma\Core\Calculation\Field\Numbers;
use Diastoma\Core\Refused;

/**
 * Looking at the finished joint: accept, review or cut out. A sign not looked at is never taken as good.
 * Looks alone never accept: a joint can look right with a dirty interface.
 */
#[Calculates(
    'joint-verdict',
    'Accept, review or cut out?',
    Family::Electrofusion,
    ['joint_class', 'reject', 'missing', 'open_items', 'verdict'],
    'Start set of signs, common practice',
    verdicts: ['good', 'bad', 'open'],
    codes: [
        'reject' => [
            'melt-escape',
            'wire-exposed',
            'insertion-mark-moved',
            'misaligned',
            'moved-while-cooling',
            'interrupted',
            'trace-fail',
            'wet',
            'gap-over-limit',
            'not-scraped',
            'fused-twice',
        ],
        'missing' => ['indicators-up', 'insertion-marks-both-sides', 'peel-visible-both-sides', 'label-matches', 'cooling-held'],
        'open_items' => ['*'],
    ],
)]
final class JointVerdict
{
    public const MUST_BE_TRUE = ['indicators-up', 'insertion-marks-both-sides', 'peel-visible-both-sides', 'label-matches', 'cooling-held'];

    public const REVIEW = ['square-cut', 'trace-present'];

    public const MUST_BE_FALSE = [
        'melt-escape', 'wire-exposed', 'insertion-mark-moved', 'misaligned', 'moved-while-cooling', 'interrupted',
        'trace-fail', 'wet', 'gap-over-limit', 'not-scraped', 'fused-twice',
    ];

    private const ALL = [...self::MUST_BE_TRUE, ...self::REVIEW, ...self::MUST_BE_FALSE];

    private const MAY_NOT_APPLY = ['indicators-up', 'trace-present'];

    /**
     * @param  list<string>  $notHere
     * @return array<string, mixed>
     */
    public function __invoke(
        #[Anything('signs', 'sign => true, false, null (not looked at) or "n/a"', 'signs', self::ALL)] mixed $signs,
        #[Numbers('not_here', texts: true, about: 'signs that this kind of joint cannot show, such as insertion marks on a saddle')]
        array $notHere = [],
    ): array {
        $all = array_values(array_diff(self::ALL, $notHere));
        if (! \is_array($signs) || ($signs !== [] && array_is_list($signs))) {
            throw Refused::field('signs', 'signs must be an object of sign names.');
        }
        foreach ($signs as $name => $value) {
            if (! \in_array($name, $all, true)) {
                throw Refused::field('signs', "signs: \"{$name}\" is not known; known are ".implode(', ', $all).'.');
            }
            if (! \is_bool($value) && $value !== null && ! ($value === 'n/a' && \in_array($name, self::MAY_NOT_APPLY, true))) {
                throw Refused::field(
                    'signs',
                    "signs: {$name} must be true, false or null".(\in_array($name, self::MAY_NOT_APPLY, true) ? ' or "n/a".' : '.'),
                );
            }
        }
        $is = fn (string $name, mixed $value) => ($signs[$name] ?? null) === $value;
        $missing = array_values(array_filter(array_intersect(self::MUST_BE_TRUE, $all), fn ($s) => $is($s, false)));
        $reject = array_values(array_filter(array_intersect(self::MUST_BE_FALSE, $all), fn ($s) => $is($s, true)));
        $review = array_filter(array_intersect(self::REVIEW, $all), fn ($s) => $is($s, false));
        $open = array_values(array_filter($all, fn ($s) => $is($s, null)));
        $class = match (true) {
            $missing !== [] || $reject !== [] => 'cut-out',
            $review !== [] || $open !== [] => 'review',
            default => 'accept',
        };

        return [
            'joint_class' => $class, 'reject' => $reject, 'missing' => $missing, 'open_items' => [...$open, ...array_values($review)],
            'verdict' => ['accept' => 'good', 'review' => 'open', 'cut-out' => 'bad'][$class],
        ];
    }
}
