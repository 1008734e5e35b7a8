<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Kind;

use Diastoma\Core\Calculation\Given;
use Diastoma\Core\Procedure\Compile\Reader;
use Diastoma\Core\Procedure\Expression\Constant;
use Diastoma\Core\Procedure\Expression\Expression;
use Diastoma\Core\Procedure\Fact;
use Diastoma\Core\Procedure\FieldSpec;
use Diastoma\Core\Procedure\Known;
use Diastoma\Core\Procedure\Reason;
use Diastoma\Core\Procedure\Step;
use Diastoma\Core\Procedure\Words;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Slip;
use Diastoma\Core\Units\Unit;
use Diastoma\Core\Verdict;

/**
 * `bolts`: the bolts of a joint, tightened by a plan in several passes. Each bolt in each pass is a fact of its own, judged as
 * the log grows; together they are the readings of the step. Nuts that are pulled up by turns have no torque at all.
 */
final readonly class Bolts implements Kind
{
    private const MOST_BOLTS = 64;

    private const MOST_PASSES = 20;

    private const MOST_NM = 5000.0;

    private const READS = 'reads';

    private const STAND_IN = 'stand-in';

    /** Where a reading comes from, where nobody typed it. */
    private const SOURCES = ['file', self::STAND_IN];

    private const BY_TURNS = 'turns';

    /**
     * @param  Expression  $plan  its steps: seq, pass, bolt, torque_nm or turns
     * @param  Expression  $wrench  `reads`: it shows what it came to, `clicks` at what it is set to, `turns`: there is no torque
     */
    public function __construct(private Expression $plan, private Expression $wrench)
    {
    }

    public static function name(): string
    {
        return 'bolts';
    }

    public static function read(array $step, Reader $reader): Kind
    {
        if (! isset($step['plan'])) {
            $reader->below('plan')->fault('is missing: which bolt comes next, and to what torque');
        }

        return new self(
            $reader->below('plan')->expression($step['plan'] ?? null),
            $reader->below('wrench')->expression($step['wrench'] ?? self::READS),
        );
    }

    public static function keys(): array
    {
        return ['bolt', 'pass', 'torque_nm', 'turned', 'source', 'readings', 'played', 'remark', 'photos'];
    }

    public function normalise(Step $step, array $value): array
    {
        $torque = new FieldSpec('torque_nm', 'Torque', 'quantity', Quantity::Torque, 0.0, self::MOST_NM, false, [], null, null);
        $numbers = [
            new FieldSpec('bolt', 'Bolt', 'number', null, 1.0, self::MOST_BOLTS, false, [], null, null),
            new FieldSpec('pass', 'Pass', 'number', null, 1.0, self::MOST_PASSES, false, [], null, null),
        ];
        $asked = $this->isByTurns() ? $numbers : [...$numbers, $torque];
        $out = Fields::normalise([...$asked, ...$step->fields], Fields::photos($value), ['turned', 'source', 'remark', 'photos']);
        foreach (['bolt', 'pass'] as $key) {
            $number = Given::number($out, $key);
            if (floor($number) !== $number) {
                throw Refused::field($key, "{$key} must be a whole number.");
            }
            $out[$key] = (int) $number;
        }
        if (\array_key_exists('source', $out) && ! \in_array($out['source'], self::SOURCES, true)) {
            throw Refused::field('source', 'source must be one of '.implode(', ', self::SOURCES).'.');
        }
        if ($this->isByTurns() && ($out['turned'] ?? null) !== true) {
            throw Refused::field('turned', 'turned must be true: these nuts are pulled up by turns.');
        }
        if (\array_key_exists('turned', $out) && $out['turned'] !== true) {
            throw Refused::field('turned', 'turned must be true, or left out where the wrench shows what it came to.');
        }

        return $out;
    }

    public function words(Step $step, array $value, Words $words): array
    {
        $said = $words->fields($step->fields, $value);
        if (isset($value['bolt'], $value['pass'], $value['torque_nm'])) {
            $torque = $words->figure('torque_nm', Given::number($value, 'torque_nm'));
            array_unshift($said, sprintf('Bolt %d, pass %d: %s', Given::number($value, 'bolt'), Given::number($value, 'pass'), $torque));
        } elseif (isset($value['bolt'], $value['pass'])) {
            array_unshift($said, sprintf('Nut %d, round %d: turned', Given::number($value, 'bolt'), Given::number($value, 'pass')));
        }

        return $said;
    }

    public function whole(array $facts): array
    {
        $last = $facts[\count($facts) - 1];
        $readings = array_map(
            fn (Fact $f) => array_intersect_key($f->value, ['bolt' => true, 'pass' => true, 'torque_nm' => true])
                + ['time' => $f->at->format(Known::TIME)],
            $facts,
        );

        $played = array_filter($facts, fn (Fact $f) => ($f->value['source'] ?? null) === self::STAND_IN) !== [];
        $value = ['readings' => $readings, 'played' => $played] + $last->value;

        return [new Fact($last->id, $last->step, $value, $facts[0]->at, $last->by, $last->role)];
    }

    /** Bolts are gone over again and again: the last time counts. */
    public function refusesMore(array $standing, array $value): ?string
    {
        return null;
    }

    public function comesInParts(): bool
    {
        return true;
    }

    public function isFinished(Step $step, Fact $fact, Known $known): bool
    {
        return $this->left($fact, $known) === [];
    }

    public function mayBeRepeated(Step $step, Known $known): bool
    {
        return false;
    }

    /** @return array{plan: list<mixed>, wrench: string, slips: list<array<string, mixed>>} `slips`: how a torque goes wrong */
    public function entry(Known $known): array
    {
        $plan = $this->plan->of($known);
        $wrench = $this->wrench->of($known);

        return [
            'plan' => \is_array($plan) ? array_values($plan) : [], 'wrench' => \is_string($wrench) ? $wrench : self::READS,
            'slips' => array_map(fn (Slip $slip) => $slip->toArray(), Slip::of(Unit::of(Quantity::Torque, 'nm'))),
        ];
    }

    private function isByTurns(): bool
    {
        return $this->wrench instanceof Constant && $this->wrench->value === self::BY_TURNS;
    }

    public function says(Step $step, Fact $fact, Known $known): array
    {
        return [...$this->ofLeft($fact, $known), ...$this->ofStandIn($fact, $known)];
    }

    /** @return list<Reason> */
    private function ofStandIn(Fact $fact, Known $known): array
    {
        return ($fact->value['played'] ?? false) !== true || ($known->line['practice'] ?? null) === true ? [] : [
            Reason::plain(
                Verdict::Open,
                'Readings were played by the stand-in of the wrench: they prove nothing of this work.',
                'Go over the bolts with a real wrench. Only a practice project is signed on what stand-ins play.',
            ),
        ];
    }

    /** @return list<Reason> */
    private function ofLeft(Fact $fact, Known $known): array
    {
        $left = $this->left($fact, $known);

        return match (true) {
            $left === null => [
                Reason::plain(
                    Verdict::Open,
                    'Which bolts there are is not known: the plan cannot be made.',
                    'Record what the plan rests on.',
                ),
            ],
            $left === [] => [],
            default => [
                Reason::plain(
                    Verdict::Open,
                    \count($left).' of '.\count($this->entry($known)['plan']).' readings are still to come.',
                    "Go on with bolt {$left[0]['bolt']}, pass {$left[0]['pass']}.",
                ),
            ],
        };
    }

    /** @return list<array{pass: int, bolt: int}>|null what the plan wants and was not read, in its order; null without a plan */
    private function left(Fact $fact, Known $known): ?array
    {
        /** @var list<array{pass: int, bolt: int}> $plan */
        $plan = $this->entry($known)['plan'];
        /** @var list<array{pass: int, bolt: int}> $readings */
        $readings = $fact->value['readings'];
        $key = fn (array $row): string => "{$row['pass']}/{$row['bolt']}";
        $read = array_fill_keys(array_map($key, $readings), true);

        return $plan === [] ? null : array_values(array_filter($plan, fn (array $row) => ! isset($read[$key($row)])));
    }
}
