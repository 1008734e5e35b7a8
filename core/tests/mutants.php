<?php

declare(strict_types=1);

/*
 * Changes to the core that its tests must notice, each one that somebody could make by mistake: file under core/src, what
 * stands there once, what is put in its place. `bin/test mutants` tries them all.
 */
return [
    'within looks at one side only' => ['Procedure/Limit.php', 'abs((float) $value - $wanted)', '(float) $value - $wanted'],
    'an excuse for one code excuses all' => [
        'Procedure/Excuse.php',
        '\\count($excused) === \\count($held)',
        '$excused !== []',
    ],
    'an excuse without a code' => ['Procedure/Excuse.php', '$held !== [] && ', ''],
    'some: unknown is false' => ['Procedure/Form/SomeTrue.php', '$one === false ? $some : null', '$some'],
    'all: unknown is true' => ['Procedure/Form/AllTrue.php', '$one === true ? $all : null', '$all'],
    'a trace with missing parts is final' => ['Procedure/Kind/Trace.php', ' && $numbers === range(0, \\count($parts) - 1)', ''],
    'a comparison with what is not known fails' => [
        'Procedure/Condition/Comparison.php',
        '$this->of->isRuledOut($known) ? false : null',
        'false',
    ],
    'not holds for what is not known' => [
        'Procedure/Condition/Comparison.php',
        '$this->of->isRuledOut($known) ? false : null',
        '$this instanceof IsNot ? true : null',
    ],
    'all of: unknown is true' => ['Procedure/Condition/AllOf.php', '$all = $one === null ? null : $all;', ''],
    'any of: unknown is false' => ['Procedure/Condition/AnyOf.php', '$any = $one === null ? null : $any;', ''],
    'an unsettled step is not there' => [
        'Procedure/Judge.php',
        '$step->when?->holds($known) === false',
        '$step->when !== null && $step->when->holds($known) !== true',
    ],
    'a step that cannot be read is ruled out' => ['Procedure/Judge.php', '$step->fault === null && ', ''],
    'an unsettled rule is left out' => [
        'Procedure/StepJudge.php',
        'if ($rule->when?->holds($this->known) === false)',
        'if ($rule->when !== null && $rule->when->holds($this->known) !== true)',
    ],
    'what is not whole is good' => [
        'Procedure/StepJudge.php',
        'Verdict::worst(Verdict::Open, $worst)',
        '$worst',
    ],
    'done while shut is not looked at' => ['Procedure/StepJudge.php', '...$this->whileShut($step, $fact),', ''],
    'a correction makes it done later' => [
        'Procedure/StepJudge.php',
        '$this->known->facts->firstAt($step->key) ?? $fact->at : $fact->at',
        '$fact->at : $fact->at',
    ],
    'needs good is satisfied by open' => [
        'Procedure/StepJudge.php',
        '! \\in_array($needed->verdict, [Verdict::Good, Verdict::Close], true)) {',
        '$needed->verdict === Verdict::Bad) {',
    ],
    'an unsettled caution is not shown' => ['Procedure/Caution.php', '!== false', '=== true'],
    'an unsettled photo is not wanted' => ['Procedure/PhotoAsked.php', '!== false', '=== true'],
    'a permit that is not known permits' => [
        'Procedure/Once.php',
        '$this->unless?->holds($known) === true',
        '$this->unless !== null && $this->unless->holds($known) !== false',
    ],
    'a calculation that judges and said nothing is good' => [
        'Procedure/Ruling.php',
        '$said ?? ($leftToLimits ? null : Verdict::Open)',
        '$said ?? ($leftToLimits ? null : Verdict::Good)',
    ],
    'a limit in another unit is taken as it is' => [
        'Procedure/Expression/InUnit.php',
        '$this->to->fromSi($this->from->toSi((float) $value))',
        '$value',
    ],
    'a seal may be set over an optional step that is bad' => [
        'Procedure/StepState.php',
        '! $this->step->optional || $this->fact !== null',
        '! $this->step->optional',
    ],
    'the guard of 95 % is a whole one' => ['Instrument/Guard.php', '0.8225 * $u', '$u'],
    'without an uncertainty it is good' => [
        'Instrument/Guard.php',
        "new self(Verdict::Open, false, ['the uncertainty of the measurement is not known'])",
        'new self(Verdict::Good, false, [])',
    ],
    'without a limit it is good' => [
        'Instrument/Guard.php',
        "new self(Verdict::Open, false, ['no limit'])",
        'new self(Verdict::Good, false, [])',
    ],
    'a gap fit without uncertainty is good' => ['Gasketed/JointGapFit.php', ' || $readingU === null ? ', ' ? '],
    'a flat log is flat after longer' => ['PressureTest/CleanLog.php', 'FLAT_S = 600', 'FLAT_S = 6000'],
    'the least current is ten times as much' => ['Electrofusion/FusionTrace.php', '0.05 * $nominal', '0.5 * $nominal'],
    'out of round without enough directions is good' => ['Round/OutOfRound.php', '$verdict = Verdict::Open;', '$verdict = Verdict::Good;'],
    'a healthy trace is not looked at for turns' => [
        'Electrofusion/TraceTurns.php',
        'min($ohms) < max($ohms) * $this->share',
        'min($ohms) > max($ohms) * $this->share',
    ],
    'a healthy trace is not looked at for voltage' => [
        'Electrofusion/TraceVoltage.php',
        '$this->wasOutside($side) ? ',
        '! $this->wasOutside($side) ? ',
    ],
    'a bolt is loose only below half' => ['Bolting/TorqueLog.php', '$step->torque * (1 - $tolerance))) {', '$step->torque * 0.5)) {'],
    'the first reading of a bolt counts' => [
        'Bolting/TorqueLog.php',
        '$this->counting[$reading->key()] = $reading;',
        '$this->counting[$reading->key()] ??= $reading;',
    ],
    'a place on the line is that of the point before it' => [
        'Laying/CentreLine.php',
        '$from[3] + $share * ($to[3] - $from[3])',
        '$from[3]',
    ],
];
