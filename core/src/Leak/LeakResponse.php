<?php

declare(strict_types=1);

namespace Diastoma\Core\Leak;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Numbers;
use Diastoma\Core\Compare;
use Diastoma\Core\Data;
use Diastoma\Core\Findings;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;

/**
 * What may be done next about a leak. Every path takes the pressure down first; what tightens is offered only below its limit of
 * pressure; after the last there is nothing but to cut out or take apart.
 */
#[Calculates(
    'leak-response',
    'What may be done about the leak next?',
    Family::Mechanical,
    ['next_action', 'actions', 'reasons', 'notes', 'verdict'],
    'Common practice by kind of joint; see core/data/mechanical/leak-actions.json',
    verdicts: ['good', 'bad', 'open'],
    codes: ['next_action' => ['*'], 'reasons' => ['pressure-high', 'only-cut-out', 'not-tightened', 'no-limit:*', 'no-fact:*']],
)]
final class LeakResponse
{
    public const FAMILIES = ['bolted-coupling', 'positive-stop', 'gland', 'flange', 'saddle', 'stab', 'composite', 'fusion'];

    public const FIRST = 'reduce-pressure';

    private const TIGHTENED = 'tightened';

    private const CUT_OUT = 'cut-out';

    private const DONE = [self::TIGHTENED, 'remade', self::CUT_OUT];

    /**
     * @param  list<string>  $done
     * @param  list<string>|null  $actions
     * @return array<string, mixed>
     */
    public function __invoke(
        #[Choice('family', self::FAMILIES)] string $family,
        #[Numbers('done', texts: true)] array $done,
        #[Measure('pressure_pa', Quantity::Pressure, min: 0)] ?float $pressure = null,
        #[Measure('pressure_max_pa', Quantity::Pressure, min: 0, about: 'at which it may be tightened')] ?float $most = null,
        #[Numbers('actions', texts: true, about: 'in their order, of the procedure')] ?array $actions = null,
        #[Choice('did', self::DONE, about: 'in the end')] ?string $did = null,
    ): array {
        /** @var array<string, list<string>> $practice */
        $practice = Data::json('mechanical/leak-actions.json')['families'];
        $actions ??= $practice[$family];
        if ($actions === [] || $actions[0] !== self::FIRST) {
            throw Refused::field('actions', 'actions must begin with '.self::FIRST.'.');
        }
        foreach ($done as $action) {
            \in_array($action, $actions, true)
                || throw Refused::field('done', "done holds \"{$action}\"; known are ".implode(', ', $actions).'.');
        }
        $left = array_values(array_diff($actions, $done));
        $next = $left[0] ?? null;
        $found = new Findings;
        if ($next !== null && self::tightens($next)) {
            if ($pressure === null || $most === null || ! Compare::atMost($pressure, $most)) {
                $next = self::FIRST;
                match (true) {
                    $most === null => $found->open('no-limit:pressure_max_pa'),
                    $pressure === null => $found->open('no-fact:pressure_pa'),
                    default => $found->bad('pressure-high'),
                };
            }
        }
        $this->mended($found, $actions, $did);

        return ['next_action' => $next, 'actions' => $actions] + $found->toArray();
    }

    /**
     * Was what was done in the end meant for this kind of joint?
     *
     * @param  list<string>  $actions
     */
    private function mended(Findings $found, array $actions, ?string $did): void
    {
        if ($did === null) {
            $found->open('no-fact:did');
        } elseif ($did !== self::CUT_OUT && \count($actions) === 1) {
            $found->bad('only-cut-out');
        } elseif ($did === self::TIGHTENED && array_filter($actions, self::tightens(...)) === []) {
            $found->bad('not-tightened');
        }
    }

    private static function tightens(string $action): bool
    {
        return preg_match('/^(tighten|pull)/', $action) === 1;
    }
}
