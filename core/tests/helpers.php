<?php

declare(strict_types=1);

use Diastoma\Core\Calculation\Registry;
use Diastoma\Core\Console;
use Diastoma\Core\Data;
use Diastoma\Core\Procedure\AsCode;
use Diastoma\Core\Procedure\Fact;
use Diastoma\Core\Procedure\Facts;
use Diastoma\Core\Procedure\Judge;
use Diastoma\Core\Procedure\Judgement;
use Diastoma\Core\Procedure\Known;
use Diastoma\Core\Procedure\Place;
use Diastoma\Core\Procedure\Procedure;
use Diastoma\Core\Procedure\Sentence;
use Diastoma\Core\Procedure\Spoken;
use Diastoma\Core\Refused;
use Diastoma\Core\Simulation\FusionBox;
use Diastoma\Core\Simulation\Noise;
use Diastoma\Core\Units\UnitSystem;
use Diastoma\Core\Verdict;

/* What several test files share: healthy joints, facts with their minute, what a judgement says. */

const TRACE = '11111111-1111-4111-8111-111111111111';

const DAY = '2026-05-04T08:00:00+02:00';

/** Card, box and tools as they come out of the stores, all in date. */
function kit(): array
{
    return [
        'card' => [
            'id' => 'c',
            'name' => 'J. Weir',
            'valid_until' => '2027-01-31',
            'works' => 'electrofusion',
            'dn_min_mm' => 20,
            'dn_max_mm' => 630,
            'materials' => 'PE100',
        ],
        'box' => ['id' => 'b', 'name' => 'Box 2', 'due_on' => '2026-12-31', 'efficiency' => 0.85, 'power_factor' => 0.8],
        'tape' => ['id' => 't', 'name' => 'Tape 4', 'due_on' => '2026-12-31'],
        'tool' => ['id' => 'p', 'name' => 'Tool 1', 'due_on' => '2026-12-31'],
        'solvent' => ['id' => 's', 'name' => 'Isopropanol 99 %', 'sort' => 'isopropanol', 'strength_pct' => 99],
    ];
}

/** @return array<string, mixed> gauge and logger of a test, in date */
function instruments(): array
{
    return [
        'gauge' => ['id' => 'g', 'name' => 'Gauge 1', 'due_on' => '2026-12-31'],
        'logger' => ['id' => 'l', 'name' => 'Logger 1', 'due_on' => '2026-12-31'],
    ];
}

/**
 * The same joint as a text of the first schema asked for it.
 *
 * @return array<string, array<string, mixed>>
 */
function couplerFactsOfFirstSchema(): array
{
    $facts = couplerFacts();
    unset($facts['supply']['alone'], $facts['kit']['solvent'], $facts['label']['gap_mm']);
    $facts['assemble'] = ['clamped' => true, 'free' => true, 'marks_at_face' => true];
    unset($facts['look']['leads_off'], $facts['ready'], $facts['cut-ends@a'], $facts['cut-ends@b']);
    $facts['supply']['other_va'] = 0;
    foreach (['mark@a', 'mark@b'] as $mark) {
        $side = substr($mark, -1);
        unset($facts[$mark]['dressed'], $facts["od@{$side}"]['od_end_mm']);
        $facts["toe@{$side}"] = ['od_end_mm' => 109.8, 'od_back_mm' => 110.15];
        $facts["wipe@{$side}"] = ['wiped' => true, 'dry' => true];
        $facts[$mark]['end_square'] = true;
    }

    return $facts;
}

/** A healthy joint of the shipped couplers: step => value. */
function couplerFacts(int $positions = 4, string $fault = 'none'): array
{
    $clocks = $positions === 4 ? ['12:00', '1:30', '3:00', '4:30'] : ['12:00', '12:45', '1:30', '2:15', '3:00', '3:45', '4:30', '5:15'];
    $facts = [
        'kit' => kit(),
        'conditions' => [
            'air_c' => 14,
            'rh_pct' => 60,
            'pipe_c' => 13,
            'fitting_c' => 14,
            'wind_ms' => 2,
            'shelter' => false,
            'rain' => false,
        ],
        'pipes' => ['pipe_a' => '041', 'pipe_b' => '042', 'slides' => 'normal'],
        'code' => [
            'code' => '010000110395160210150039',
            'layout' => ['id' => 'l', 'name' => 'Practice', 'practice' => true, 'layout' => Data::json('codes/practice.json')],
        ],
        'label' => [
            'dn_mm' => 110,
            'voltage_v' => 39.5,
            'time_s' => 150,
            'cooling_min' => 15,
            'sdr_min' => 11,
            'sdr_max' => 17,
            'coupling_mm' => 160,
            'gap_mm' => 1.5,
        ],
        'supply' => [
            'generator' => ['id' => 'g', 'name' => 'Set 3', 'rated_va' => 3500, 'voltage_v' => 230, 'derate_pct' => 0],
            'alone' => true,
            'earthed' => true,
        ],
    ];
    foreach (['a', 'b'] as $side) {
        $facts["cut-ends@{$side}"] = ['square' => true, 'gravel' => false, 'washed' => true];
        $facts["od@{$side}"] = ['od_tape_mm' => 110.15, 'od_end_mm' => 109.8];
        $facts["ovality@{$side}"] = [
            'readings' => array_map(fn ($c, $i) => ['clock' => $c, 'value_mm' => 110.2 + 0.2 * ($i % 3)], $clocks, array_keys($clocks)),
        ];
        $facts["scrape@{$side}"] = ['od_after_mm' => 109.6, 'marks_gone' => true, 'sharp' => true, 'tool' => 'turning'];
        $facts["mark@{$side}"] = ['dressed' => true, 'mark_mm' => 80, 'all_round' => true];
    }

    return $facts + [
        'assemble' => ['wiped' => true, 'bag' => true, 'dry' => true, 'clamped' => true, 'free' => true, 'marks_at_face' => true],
        'gap' => [
            'readings' => [
                ['clock' => '12', 'value_mm' => 0.6],
                ['clock' => '3', 'value_mm' => 0.4],
                ['clock' => '6', 'value_mm' => 0.2],
                ['clock' => '9', 'value_mm' => 0.4],
            ],
        ],
        'ready' => ['tight' => true, 'contacts' => true, 'ends_closed' => true, 'supported' => true, 'display' => true],
        'fusion' => [
            'trace' => TRACE,
            'part' => 0,
            'final' => true,
            'samples' => FusionBox::trace(39.5, 1.6, 154, $fault),
            'cold_r_ohm' => 1.6 * FusionBox::programme($fault)['r_ratio'],
            'supply_v' => 231,
            'started_at' => '2026-05-04T09:20:00+02:00',
            'ended_at' => '2026-05-04T09:22:34+02:00',
        ],
        'cooling' => ['released_at' => '2026-05-04T09:40:00+02:00'],
        'look' => [
            'leads_off' => true,
            'indicators_up' => true,
            'marks_visible' => true,
            'marks_moved' => false,
            'peel_visible' => true,
            'melt_escape' => false,
            'wire_exposed' => false,
            'misaligned' => false,
            'moved' => false,
            'wet' => false,
        ],
        'accept' => ['signed' => true],
    ];
}

/**
 * The same by the school that wipes before the peel and touches nothing afterwards.
 *
 * @return array<string, array<string, mixed>>
 */
function couplerWipedFirst(string $fault = 'none'): array
{
    $facts = couplerFacts(8, $fault);
    $facts['kit']['scriber'] = ['id' => 'n', 'name' => 'Scriber 2', 'depth_mm' => 0.18];
    $facts['assemble'] = ['untouched' => true] + array_diff_key($facts['assemble'], ['wiped' => 1, 'dry' => 1]);
    foreach (['a', 'b'] as $side) {
        $facts["lengths@{$side}"] = ['first_mm' => 90, 'second_mm' => 400];
        $facts["wipe@{$side}"] = ['wiped' => true, 'dry' => true];
        $facts["scribe@{$side}"] = ['sides' => 4, 'inked' => true];
    }
    $order = array_map(fn ($step) => $step->key(), array_values(Procedure::shipped()['ef-coupler-groove']->steps));

    return array_merge(array_intersect_key(array_flip($order), $facts), $facts);
}

function judged(string|Procedure $procedure, array $values, array $line = []): Judgement
{
    $procedure = is_string($procedure) ? Procedure::shipped()[$procedure] : $procedure;
    $minute = 0;
    $facts = [];
    foreach ($procedure->steps as $step) {
        if (isset($values[$step->key()])) {
            $at = new DateTimeImmutable('2026-05-04T08:50:00+02:00 +'.$minute++.' minutes');
            $facts[] = new Fact("f{$minute}", $step->key(), $step->normalise($values[$step->key()]), $at, 'J. Weir', 'joiner');
        }
    }
    $line += [
        'dn_mm' => 110,
        'od_mm' => 110,
        'sdr' => 11,
        'wall_mm' => 10.0,
        'material' => 'PE100',
        'service' => 'water',
        'time_zone' => 'Europe/Vienna',
        'sides' => ['a' => 'pipe 041', 'b' => 'pipe 042'],
    ];

    return Judge::judge($procedure, $facts, $line, new DateTimeImmutable('2026-05-04T12:00:00+02:00'));
}

function texts(Judgement $judgement, UnitSystem $units = UnitSystem::Metric): string
{
    return implode("\n", array_map(fn ($r) => $r['text'].' '.$r['do'], $judgement->toArray($units)['reasons']));
}

/** @param  list<array{string, array<string, mixed>, int}>  $all */
function but(array $all, string $step, array $value, ?int $at = null): array
{
    return array_map(fn (array $f) => $f[0] === $step ? [$step, $value + (isset($value['trace']) ? [] : $f[1]), $at ?? $f[2]] : $f, $all);
}

function fittingCode(int $dn, float $volts, float $ohms, int $seconds): string
{
    return Registry::standard()->run('fitting-code-encode', [
        'layout' => 'T1',
        'dn_mm' => $dn,
        'voltage_v' => $volts,
        'resistance_ohm' => $ohms,
        'time_s' => $seconds,
        'correction_pct_per_k' => 0.2,
    ])['code'];
}

function minute(int $minute): string
{
    return (new DateTimeImmutable(DAY))->modify("+{$minute} minutes")->format('Y-m-d\TH:i:sP');
}

function saying(Judgement $judgement): string
{
    return implode(
        "\n",
        array_map(
            fn ($r) => "{$r['step']}: {$r['verdict']} {$r['text']} {$r['do']}",
            $judgement->toArray(UnitSystem::Metric, new DateTimeZone('Europe/Vienna'))['reasons'],
        ),
    );
}

/**
 * @param  list<array{string, array<string, mixed>, int}>  $recorded  step, value, minute
 * @param  array<string, mixed>  $line
 */
function told(string $procedure, array $recorded, array $line = [], int $now = 900): Judgement
{
    $procedure = Procedure::shipped()[$procedure];
    $facts = [];
    foreach ($recorded as $i => [$key, $value, $at]) {
        $step = $procedure->step($key) ?? throw new LogicException("no step {$key}");
        $facts[] = new Fact("f{$i}", $key, $step->normalise($value), new DateTimeImmutable(minute($at)), 'J. Weir', 'joiner');
    }

    return Judge::judge(
        $procedure,
        $facts,
        $line + [
            'dn_mm' => 630,
            'od_mm' => 630,
            'sdr' => 17,
            'wall_mm' => 37.4,
            'material' => 'PE100',
            'service' => 'water',
            'time_zone' => 'Europe/Vienna',
            'sides' => ['a' => 'pipe 7', 'b' => 'pipe 8'],
            'restraints' => restraints(),
        ],
        new DateTimeImmutable(minute($now)),
    );
}

/** @return array<string, mixed> a trace that began at a minute and was healthy unless said otherwise */
function traced(float $volts, float $ohms, float $seconds, int $from, string $fault = 'none', int $n = 1): array
{
    $end = (new DateTimeImmutable(DAY))->modify("+{$from} minutes")->modify('+'.(int) $seconds.' seconds');

    return [
        'trace' => sprintf('%08d-0000-4000-8000-000000000000', 1000 * $n + $from),
        'part' => 0,
        'final' => true,
        'samples' => FusionBox::trace($volts, $ohms, $seconds, $fault),
        'supply_v' => 231,
        'cold_r_ohm' => $ohms * FusionBox::programme($fault)['r_ratio'],
        'started_at' => minute($from),
        'ended_at' => $end->format('Y-m-d\TH:i:sP'),
    ];
}

/** @return list<string> limits of a procedure that were written down from memory */
function fromMemory(string $procedure): array
{
    return array_keys(array_filter(Procedure::shipped()[$procedure]->parameters, fn ($p) => $p->certainty === 'memory'));
}

/** The first accepted worked example of each calculation. */
function acceptedExamples(): array
{
    $found = [];
    foreach (glob(__DIR__.'/examples/*.jsonl') ?: [] as $file) {
        foreach (file($file, FILE_IGNORE_NEW_LINES | FILE_SKIP_EMPTY_LINES) ?: [] as $line) {
            $example = json_decode($line, true);
            if (! isset($example['out']['error'])) {
                $found[$example['calc']] ??= $example['in'];
            }
        }
    }

    return $found;
}

/** @return list<array<string, string>> three on each end, cool at minute 60 */
function restraints(): array
{
    $all = [];
    foreach (['a', 'b'] as $end) {
        foreach ([1, 2, 3] as $n) {
            $all[] = ['number' => "4{$end}{$n}", 'end' => $end, 'verdict' => 'good', 'free_from' => minute(60)];
        }
    }

    return $all;
}

/**
 * A procedure made for one test, with those of two parameters that it reads.
 *
 * @param  list<array<string, mixed>>  $steps
 * @param  array<string, mixed>  $more
 */
function little(array $steps, array $more = []): Procedure
{
    return Procedure::from(littleText($steps, $more));
}

/** @return array<string, mixed> */
function littleText(array $steps, array $more = []): array
{
    $parameters = [
        'most_mm' => ['value' => 3, 'source' => 'this test', 'certainty' => 'project'],
        'u_mm' => ['value' => 0.5, 'source' => 'this test', 'certainty' => 'project'],
    ];
    $read = array_filter(
        $parameters,
        fn (string $name) => str_contains((string) json_encode([$steps, $more]), "\$param.{$name}"),
        ARRAY_FILTER_USE_KEY,
    );

    return $more + [
        'id' => 'little',
        'version' => '1',
        'title' => 'Little',
        'joint_type' => 'test',
        'parameters' => $read,
        'steps' => $steps,
    ];
}

/** @param  array<string, array<string, mixed>>  $values  step => value, in order, a minute apart */
function littleJudged(Procedure $procedure, array $values, array $line = []): Judgement
{
    $facts = [];
    $minute = 0;
    foreach ($values as $key => $value) {
        $facts[] = new Fact(
            "f{$minute}",
            $key,
            $procedure->step($key)->normalise($value),
            new DateTimeImmutable('2026-05-04T08:00:00Z +'.$minute++.' minutes'),
            'J. Weir',
            'joiner',
        );
    }

    return Judge::judge($procedure, $facts, $line, new DateTimeImmutable('2026-05-04T12:00:00Z'));
}

/** A sentence with its places filled from values alone. */
function said(string $text, array $values): Spoken
{
    $parts = preg_split(Sentence::PLACE, $text);
    preg_match_all(Sentence::PLACE, $text, $found, PREG_SET_ORDER);
    $sentence = [array_shift($parts)];
    foreach ($found as $i => $m) {
        array_push($sentence, new Place(substr((string) strrchr('.'.$m[1], '.'), 1), $m[2] ?? '', null, $m[1]), $parts[$i]);
    }
    $nothing = little([['id' => 'one', 'kind' => 'note', 'title' => 'One', 'fields' => []]]);

    return (new Sentence($sentence))->fill(new Known($nothing, new Facts([], $nothing), [], new DateTimeImmutable(DAY)), $values);
}

/** @return array<string, mixed> what a calculation answers */
function calc(string $name, array $in): array
{
    return Registry::standard()->run($name, $in);
}

/** The field that a calculation refuses. */
function refused(string $name, array $in): ?string
{
    try {
        calc($name, $in);
    } catch (Refused $refused) {
        return $refused->firstField();
    }

    return null;
}

/**
 * How often a calculation says good, in 2,000 draws of what was measured.
 *
 * @param  callable(Noise): array<string, mixed>  $draw  the inputs of one draw: truth beyond the limit, stated uncertainty added
 */
function shareGood(string $calc, callable $draw, int $times = 2000): float
{
    $noise = new Noise(crc32($calc) % 100000);
    $good = 0;
    for ($i = 0; $i < $times; $i++) {
        $good += calc($calc, $draw($noise))['verdict'] === 'good' ? 1 : 0;
    }

    return $good / $times;
}

/** A share that 2,000 draws of a true share of $p stay below, but for one run in a thousand. */
function atMostBy(float $p, int $times = 2000): float
{
    return $p + 3.1 * sqrt($p * (1 - $p) / $times);
}

/** @return array{int, string, string} exit code, output, complaints */
function console(array $words, string $in = ''): array
{
    $streams = array_map(fn () => fopen('php://memory', 'w+'), range(0, 2));
    fwrite($streams[0], $in);
    rewind($streams[0]);
    $code = (new Console(['diastoma', ...$words], ...$streams))->run();
    rewind($streams[1]);
    rewind($streams[2]);

    return [$code, (string) stream_get_contents($streams[1]), (string) stream_get_contents($streams[2])];
}

/** @return list<string> keys of the steps that must be good or close and are not */
function leftOpen(Judgement $judgement): array
{
    $held = fn ($s): bool => ! $s->step->optional && ! in_array($s->verdict, [Verdict::Good, Verdict::Close], true);

    return array_keys(array_filter($judgement->steps, $held));
}

/** Kept as PHP and loaded again, as a server does it. */
function madeAgain(Procedure $procedure): Procedure
{
    $file = (string) tempnam(sys_get_temp_dir(), 'procedure');
    file_put_contents($file, AsCode::of($procedure));
    $again = require $file;
    unlink($file);

    return $again;
}

/** A reason as a person reads it. */
function saidOf(Diastoma\Core\Procedure\Reason $reason): string
{
    return $reason->text->in(UnitSystem::Metric);
}

/**
 * The healthy joint of couplerFacts, each fact with its minute; power on at minute 35.
 *
 * @param  array<string, array<string, mixed>>|null  $of  other facts than those
 * @return list<array{string, array<string, mixed>, int}>
 */
function smallCoupler(int $positions = 4, string $fault = 'none', ?array $of = null): array
{
    $facts = [];
    foreach ($of ?? couplerFacts($positions, $fault) as $key => $value) {
        $minute = match ($key) {
            'fusion' => 35, 'cooling' => 55, 'look' => 57, 'accept' => 60, default => count($facts)
        };
        if ($key === 'fusion') {
            $value =
                [
                    'started_at' => minute(35),
                    'ended_at' => (new DateTimeImmutable(minute(35)))->modify('+154 seconds')->format('Y-m-d\TH:i:sP'),
                ] + $value;
        }
        $facts[] = [$key, $key === 'cooling' ? ['released_at' => minute(55)] : $value, $minute];
    }

    return $facts;
}

/** @return list<array{string, array<string, mixed>, int}> by the school that wipes before the peel */
function wipedFirst(string $fault = 'none'): array
{
    return smallCoupler(8, $fault, couplerWipedFirst($fault));
}

/** @param  list<array{string, array<string, mixed>, int}>  $facts */
function small(array $facts, array $line = [], string $procedure = 'ef-coupler-one-pass', int $now = 900): Judgement
{
    return told(
        $procedure,
        $facts,
        $line + ['dn_mm' => 110, 'od_mm' => 110, 'sdr' => 11, 'wall_mm' => 10.0, 'sides' => ['a' => 'pipe 041', 'b' => 'pipe 042']],
        $now,
    );
}

/** @param  list<array{string, array<string, mixed>, int}>  $facts */
function without(array $facts, string ...$steps): array
{
    return array_values(array_filter($facts, fn ($f) => ! in_array($f[0], $steps, true)));
}
