<?php

declare(strict_types=1);

use Diastoma\Core\Electrofusion\TraceFile;
use Diastoma\Core\PressureTest\CleanLog;
use Diastoma\Core\PressureTest\HoldSlope;
use Diastoma\Core\PressureTest\JoinedLog;
use Diastoma\Core\PressureTest\LogColumns;
use Diastoma\Core\PressureTest\LoggerCsv;
use Diastoma\Core\PressureTest\LoggerTimes;
use Diastoma\Core\PressureTest\Segment;
use Diastoma\Core\PressureTest\Series;
use Diastoma\Core\PressureTest\TestLog;
use Diastoma\Core\PressureTest\ThinLog;
use Diastoma\Core\PressureTest\Water;
use Diastoma\Core\Refused;
use Diastoma\Core\Round\Median;
use Diastoma\Core\Simulation\Noise;
use Diastoma\Core\Simulation\PumpAndLogger;

require_once __DIR__.'/helpers.php';

/** @param  array<int, float|string|null>  $pressures  one every so many seconds from ten o'clock */
function minuteLog(array $pressures, string $heading = 'time;pressure [kPa]', int $seconds = 60): string
{
    $rows = [$heading];
    foreach ($pressures as $i => $p) {
        $rows[] = gmdate('Y-m-d H:i:s', 1777888800 + $seconds * $i).';'.($p ?? '');
    }

    return implode("\n", $rows);
}

it('reads one moment in whatever of the usual forms it is written', function (string $text, ?string $order) {
    expect((new LoggerTimes($order))->seconds($text, 2))->toEqualWithDelta(1777889400.0, 1e-3); // 2026-05-04T10:10:00Z
})->with([
    ['2026-05-04T10:10:00', null],
    ['2026-05-04 10:10:00', null],
    ['2026-05-04 10:10', null],
    ['2026-05-04T12:10:00+02:00', null],
    ['2026-05-04T10:10:00Z', null],
    ['04.05.2026 10:10:00', null],
    ['4.5.2026 10:10', null],
    ['04/05/2026 10:10:00', 'DMY'],
    ['05/04/2026 10:10:00', 'MDY'],
    ['05/04/2026 10:10:00 AM', 'MDY'],
    ['1777889400', null],
    ['1777889400000', null],
    ['46146.4236111111', null],
    ['46146,4236111111', null],
]);

it('reads the same second by the short way and the long way', function () {
    $short = new LoggerTimes(null);
    for ($s = 0; $s < 200; $s++) {
        $text = gmdate('Y-m-d H:i:s', 1777939100 + $s); // over midnight
        expect($short->seconds($text, 2))->toBe((new LoggerTimes(null))->seconds($text, 2))->toBe(1777939100.0 + $s);
    }
    foreach (
        [
            '2026-05-04 10:10:60',
            '2026-05-04 10:61:00',
            '2026-05-04 25:00:00',
            '2026-13-04 10:10:00',
            '2026-02-30 10:10:00',
            'noon',
            '',
            '2026-05-04 10:10:0x',
        ] as $wrong
    ) {
        expect(fn () => $short->seconds($wrong, 7))->toThrow(Refused::class, 'line 7');
    }
});

it('takes the order of day and month from any line that tells it, else asks', function () {
    $rows = fn (string ...$dates) => "time;pressure [bar]\n".implode("\n", array_map(fn ($d) => "{$d} 10:00;9", $dates));
    $apart = function (string $one, string $other, ?string $said = null) use ($rows): float {
        $times = LoggerCsv::read($rows($one, $other), $said)->columns->times;

        return $times[1] - $times[0];
    };
    expect($apart('03/04/2026', '13/04/2026'))
        ->toBe(10 * 86400.0)
        ->and($apart('04/03/2026', '04/13/2026'))
        ->toBe(10 * 86400.0)
        ->and(fn () => $apart('03/04/2026', '05/04/2026'))
        ->toThrow(Refused::class, 'say which')
        ->and($apart('03/04/2026', '05/04/2026', 'DMY'))
        ->toBe(2 * 86400.0);
});

it('reads one log alike from any delimiter, decimal mark, unit and line end', function (string $csv) {
    $rows = LoggerCsv::read($csv)->columns->rows();
    expect($rows)
        ->toHaveCount(2)
        ->and($rows[0][1])
        ->toEqualWithDelta(912.5, 1e-6)
        ->and($rows[1][1])
        ->toEqualWithDelta(910.0, 1e-6)
        ->and($rows[1][0] - $rows[0][0])
        ->toBe(60.0);
})->with([
    ["time;pressure [kPa]\n2026-05-04 10:00:00;912.5\n2026-05-04 10:01:00;910"],
    ["time,pressure [kPa]\r\n2026-05-04 10:00:00,912.5\r\n2026-05-04 10:01:00,910\r\n"],
    ["time\tpressure (bar)\n2026-05-04 10:00:00\t9.125\n2026-05-04 10:01:00\t9.1"],
    ["\u{FEFF}Zeit;Druck [bar]\n04.05.2026 10:00;9,125\n04.05.2026 10:01;9,1"],
    ["# made by nobody\ntime;\"pressure [MPa]\"\n\"2026-05-04 10:00:00\";\"0.9125\"\n\"2026-05-04 10:01:00\";0.91\n\n"],
    ["no;time;pressure [mbar]\n1;2026-05-04 10:00:00;9125\n2;2026-05-04 10:01:00;9100"],
]);

it('drops a spike, keeps a step, counts gaps and double lines, and says what it did', function () {
    $pressures = array_fill(0, 60, 900.0);
    $pressures[20] = 1400.0;
    for ($i = 40; $i < 60; $i++) {
        $pressures[$i] = 700.0; // a real drop: pressure stays down
    }
    $pressures[30] = null;
    $csv = minuteLog($pressures, seconds: 10)."\n2026-05-04 10:09:50;702\n2026-05-04 10:20:00;700";
    $summary = CleanLog::of(LoggerCsv::read($csv))->summary();
    expect($summary)
        ->toMatchArray([
            'samples' => 62,
            'missing' => 1,
            'spikes' => 1,
            'duplicates' => 1,
            'gaps' => 1,
            'interval_s' => 10.0,
            'clock_jumps' => 0,
            'excursions' => [],
        ])
        ->and($summary['kept'])
        ->toBe(59);
    // One reading a minute: a minute at another pressure is no spike. It stays, and is named.
    $slow = CleanLog::of(LoggerCsv::read(minuteLog(array_replace(array_fill(0, 60, 900.0), [20 => 1400.0]))));
    expect($slow->spikes)
        ->toBe(0)
        ->and($slow->rows())
        ->toHaveCount(60)
        ->and($slow->excursions)
        ->toBe([['from_s' => 1200.0, 'to_s' => 1200.0, 'lowest_kpa' => 1400.0, 'highest_kpa' => 1400.0]]);
});

it('never cleans away what lasted: half the pressure for minutes stays in the log and breaks the hold', function (int $seconds, int $long) {
    $pressures = array_map(fn (int $i) => 900 - 0.01 * $i, range(0, intdiv(7200, $seconds)));
    foreach (range(0, intdiv($long, $seconds) - 1) as $i) {
        $pressures[intdiv(3000, $seconds) + $i] = 450 - $i % 3;
    }
    $log = CleanLog::of(LoggerCsv::read(minuteLog($pressures, seconds: $seconds)));
    $hold = calc('hold-check', [
        'readings' => array_map(fn ($r) => [($r[0] - $log->rows()[0][0]) / 60, $r[1]], $log->rows()),
        'target_kpa' => 900,
        'max_drop_kpa' => 20,
        'duration_h' => 2,
    ]);
    expect($log->spikes)
        ->toBe(0)
        ->and($hold['verdict'])
        ->toBe('bad')
        ->and($hold['why'])
        ->toBe('max_drop')
        ->and($hold['drop_kpa'])
        ->toBeGreaterThan(440);
})->with([[1, 360], [10, 360], [60, 360], [120, 360], [10, 40], [20, 60]]);

it('keeps what each neighbourhood keeps, whether the short way or the sorted window decides', function () {
    // The plain filter, written again by its definition: five scaled deviations from the median of seven, at least 5 kPa.
    $plain = function (array $p): int {
        $apart = [];
        for ($i = 3; $i < count($p) - 3; $i++) {
            $window = array_slice($p, $i - 3, 7);
            sort($window);
            $off = array_map(fn ($x) => abs($x - $window[3]), $window);
            sort($off);
            $apart[$i] = abs($p[$i] - $window[3]) > max(5 * 1.4826 * $off[3], 5.0);
        }
        // Runs of up to three at ten seconds, which is half a minute, are spikes; longer ones are real.
        preg_match_all('/1+/', implode('', array_map(intval(...), $apart)), $runs);

        return array_sum(array_filter(array_map(strlen(...), $runs[0]), fn (int $n) => $n <= 3));
    };
    $noise = new Noise(9);
    for ($k = 0; $k < 30; $k++) {
        $p = [];
        for ($i = 0; $i < 300; $i++) {
            $p[] = round(900 + 3 * $noise->normal() + ($noise->uniform() > 0.95 ? 60 * $noise->normal() : 0), 2);
        }
        expect(CleanLog::of(LoggerCsv::read(minuteLog($p, seconds: 10)))->spikes)->toBe($plain($p));
    }
});

it('straightens a clock that was put back an hour and refuses one that runs back', function () {
    $line = fn (string $clock, float $p) => "2026-10-25 {$clock};{$p}";
    $back =
        "time;pressure [kPa]\n".
        implode("\n", [$line('02:58:00', 900), $line('02:59:00', 899), $line('02:00:00', 898), $line('02:01:00', 897)]);
    $log = CleanLog::of(LoggerCsv::read($back));
    expect($log->clockJumps)->toBe(1)->and(array_map(fn ($r) => $r[0] - $log->rows()[0][0], $log->rows()))->toBe([0.0, 60.0, 120.0, 180.0]);
    $wrong = "time;pressure [kPa]\n".implode("\n", [$line('02:00:00', 900), $line('02:10:00', 899), $line('02:05:00', 898)]);
    expect(fn () => CleanLog::of(LoggerCsv::read($wrong)))->toThrow(Refused::class, 'the clock steps back');
});

it('sees a sensor that is stuck while the water changes, and none that is merely still', function () {
    $rows = ['time;pressure [kPa];temperature [C]'];
    for ($m = 0; $m < 60; $m++) {
        $rows[] = sprintf('2026-05-04 10:%02d:00;900;%s', $m, 12 + $m / 30);
    }
    expect(CleanLog::of(LoggerCsv::read(implode("\n", $rows)))->warnings)
        ->toBe(['sensor-flat'])
        ->and(CleanLog::of(LoggerCsv::read(minuteLog(array_fill(0, 60, 900))))->warnings)
        ->toBe([])
        ->and(CleanLog::of(LoggerCsv::read(minuteLog(array_fill(0, 60, 1600))), 1.0, 1600)->warnings)
        ->toBe(['sensor-saturated']);
});

it('finds a slope whatever the start, the sampling and the unit of time', function () {
    $series = fn (float $dt, float $from, float $kpaPerHour) => array_map(
        fn ($i) => [$from + $i * $dt, 1000 + ($kpaPerHour * $i * $dt) / 3600],
        range(0, (int) (7200 / $dt)),
    );
    foreach ([1.0, 10.0, 60.0] as $dt) {
        foreach ([0.0, 1.7e9] as $from) {
            $out = Diastoma\Core\Calculation\Registry::standard()->run('hold-slope', ['series' => $series($dt, $from, -20)]);
            expect($out['slope_kpa_h'])
                ->toEqualWithDelta(-20, 1e-3)
                ->and($out['theil_sen_kpa_h'])
                ->toEqualWithDelta(-20, 1e-3)
                ->and($out['curved'])
                ->toBeFalse();
        }
    }
    expect(Median::of([3, 1, 2]))
        ->toEqual(2)
        ->and(Median::of([4, 1, 2, 3]))
        ->toEqual(2.5)
        ->and(HoldSlope::blocks([0, 10, 20, 60, 70, 200], [1, 3, 2, 9, 7, 5], Median::of(...)))
        ->toEqual([[10.0, 2.0], [65.0, 8.0], [200.0, 5.0]]);
});

it('asks a log between its samples and refuses times outside or out of order', function () {
    $log = new TestLog([[0, 100, 0], [10, 200, 5], [20, 200, 5]]);
    expect($log->pressure(5))
        ->toBe(150.0)
        ->and($log->water(0, 10))
        ->toBe(5.0)
        ->and($log->water(10, 20))
        ->toBe(0.0)
        ->and(TestLog::average($log->between(0, 20)))
        ->toEqualWithDelta(175, 1e-9)
        ->and((new TestLog([[0, 100], [10, 200]]))->water(0, 10))
        ->toBeNull()
        // Litres at one end alone tell nothing of what went in.
        ->and((new TestLog([[0, 100, 3], [10, 200, 5], [20, 200]]))->water(5, 20))
        ->toBeNull()
        ->and((new TestLog([[0, 100], [10, 200, 5], [20, 200, 6]]))->water(0, 15))
        ->toBeNull();
    $log->mustRise(['from' => 60.0, 'to' => 1200.0]);
    expect(fn () => $log->mustRise(['from' => 60.0, 'to' => 1201.0]))
        ->toThrow(Refused::class, 'the log goes from minute 0 to 20')
        ->and(fn () => $log->mustRise(['from' => 600.0, 'to' => 600.0]))
        ->toThrow(Refused::class, 'must come after from');
});

it('reads a trace back as it was written, as CSV and as JSON', function () {
    $samples = [[0.0, 39.5, 24.7], [1.0, 39.4, 24.6], [2.5, 39.6, 24.5]];
    $csv = "time [s],voltage [V],current [A]\n".implode("\n", array_map(fn ($r) => implode(',', $r), $samples));
    expect(TraceFile::read($csv))
        ->toBe($samples)
        ->and(TraceFile::read(str_replace([',', '.'], [';', ','], $csv)))
        ->toBe($samples)
        ->and(TraceFile::read((string) json_encode(['samples' => $samples])))
        ->toBe($samples);
    foreach (
        [
            '{"samples": []}',
            '{"samples": [[0, 1, 2], [0, 1, 2]]}',
            '{"rows": 1}',
            "time [s];voltage [V]\n0;1",
            "time [s];voltage [V];current [A]\n0;1;x",
            '',
        ] as $wrong
    ) {
        expect(fn () => TraceFile::read($wrong))->toThrow(Refused::class);
    }
});

it('tells each fault of the pump apart by its own mark', function () {
    $section = new Segment(300, 0.184, 0.0205, 0.9e9, 0.45, 'anchored');
    $run = fn (string $fault) => (new PumpAndLogger($section, 12, 1.2e6, 80 / 60000, $fault, 0.08))->constantPressure(7200);
    $raised = function (array $run): float {
        $log = new TestLog($run['rows']);

        return (float) $log->water($run['marks']['raise_from_min'], $run['marks']['stable_from_min']);
    };
    $makeup = fn (array $run) => (float) (new TestLog($run['rows']))->water($run['marks']['hold_from_min'], $run['marks']['hold_to_min']);
    $tight = $run('none');
    expect($raised($run('air')))
        ->toBeGreaterThan(1.5 * $raised($tight))
        ->and($raised($run('closed-valve')))
        ->toBeLessThan(0.8 * $raised($tight))
        ->and($makeup($run('leak')))
        ->toBeGreaterThan(2 * $makeup($tight));
});

it('finds water heaviest at four degrees, and stiffer under pressure', function () {
    foreach ([0, 2, 6, 10, 20] as $t) {
        expect(Water::density((float) $t))->toBeLessThan(Water::density(4.0));
    }
    expect(Water::expansion(2.0))
        ->toBeLessThan(0)
        ->and(Water::expansion(10.0))
        ->toBeGreaterThan(0)
        ->and(Water::bulkModulus(10.0, 2e6))
        ->toBeGreaterThan(Water::bulkModulus(10.0));
    // The expansion is the slope of the density, by differences.
    $h = 1e-4;
    expect(Water::expansion(15.0))->toEqualWithDelta(
        -(Water::density(15 + $h) - Water::density(15 - $h)) / (2 * $h) / Water::density(15.0),
        1e-8,
    );
});

it('thins a long log and loses nothing that a judgement asks for', function (int $seed) {
    $noise = new Noise($seed);
    $times = $pressures = [];
    for ($t = 0; $t < 40_000; $t++) {
        // A silence of ten minutes.
        if ($t < 12_000 || $t > 12_600) {
            $times[] = (float) $t;
            $pressures[] = 1500 - $t / 1000 + 3 * $noise->normal() - ($t === 25_000 ? 80 : 0) + ($t === 31_111 ? 60 : 0);
        }
    }
    $log = new LogColumns($times, $pressures, null, array_map(fn (float $t) => $t / 7, $times));
    $thin = ThinLog::of($log, 5.0, 2000);
    $readings = fn (LogColumns $of): array => array_map(null, $of->times, $of->pressures);
    expect($thin->count())
        ->toBeLessThanOrEqual(2010)
        ->and(min($thin->pressures))
        ->toBe(min($pressures))
        ->and(max($thin->pressures))
        ->toBe(max($pressures))
        ->and($thin->times[0])
        ->toBe(0.0)
        ->and($thin->times[$thin->count() - 1])
        ->toBe(39_999.0)
        ->and(Series::longestGap($readings($thin)))
        ->toBe(Series::longestGap($readings($log)))
        ->and(Series::greatestFall($thin->pressures))
        ->toBe(Series::greatestFall($pressures));
    // Each reading that stays is one that was read, with its litres.
    $read = array_combine(array_map(strval(...), $times), $pressures);
    foreach ($thin->times as $i => $time) {
        expect($read[(string) $time])->toBe($thin->pressures[$i])->and($thin->litres[$i])->toBe($time / 7);
    }
    expect(ThinLog::of($thin, 5.0, 3000))->toBe($thin);
})->with([1, 2, 3]);

it('takes a series by its columns as by its rows, and says what is wrong with them', function () {
    $rows = array_map(fn (int $i) => [$i * 10.0, 900 - $i / 50 + sin($i)], range(0, 400));
    $columns = ['t_s' => array_column($rows, 0), 'pressure_kpa' => array_column($rows, 1)];
    expect(calc('hold-slope', ['columns' => $columns]))
        ->toBe(calc('hold-slope', ['series' => $rows]))
        ->and(calc('hold-slope', ['columns' => $columns, 'leave_out' => [[500, 900]]]))
        ->toBe(calc('hold-slope', ['series' => $rows, 'leave_out' => [[500, 900]]]));
    foreach (
        [
            'and nothing else' => ['t_s' => [0, 1, 2]],
            'as many numbers' => ['t_s' => [0, 1, 2], 'pressure_kpa' => [1, 2]],
            'row 2: pressure_kpa must be a number' => ['t_s' => [0, 1, 2], 'pressure_kpa' => [1, 'x', 2]],
            'row 3: t_s must rise' => ['t_s' => [0, 60, 60], 'pressure_kpa' => [1, 2, 3]],
            'must be a list of numbers' => ['t_s' => 5, 'pressure_kpa' => [1, 2, 3]],
        ] as $says => $wrong
    ) {
        expect(fn () => calc('hold-slope', ['columns' => $wrong]))->toThrow(Refused::class, $says);
    }
    expect(fn () => calc('hold-slope', ['columns' => $columns, 'series' => $rows]))->toThrow(Refused::class, 'exactly one');
});

/** @param  callable(int): float  $pressure  kPa at a second */
function logged(int $from, int $to, callable $pressure, int $every = 10, string $more = ''): CleanLog
{
    $rows = ['time;pressure [kPa]'.($more === '' ? '' : ';volume [L]')];
    for ($t = $from; $t <= $to; $t += $every) {
        $rows[] = gmdate('Y-m-d H:i:s', 1_777_888_800 + $t).';'.round($pressure($t), 2).($more === '' ? '' : ';'.($t - $from) / 100);
    }

    return CleanLog::of(LoggerCsv::read(implode("\n", $rows)));
}

it('joins the files of one test by their clocks, whichever was chosen first', function () {
    $fall = fn (int $t): float => 1200 - $t / 600;
    $parts = ['one.csv' => logged(0, 3600, $fall), 'two.csv' => logged(3610, 7200, $fall), 'three.csv' => logged(7210, 9000, $fall)];
    $whole = logged(0, 9000, $fall);
    foreach ([$parts, array_reverse($parts, true)] as $order) {
        $joined = JoinedLog::of($order);
        expect($joined->columns->times)
            ->toBe($whole->columns->times)
            ->and($joined->columns->pressures)
            ->toBe($whole->columns->pressures)
            ->and($joined->summary)
            ->toMatchArray(['kept' => 901, 'samples' => 901, 'gaps' => 0, 'spikes' => 0, 'interval_s' => 10.0]);
    }
    expect(JoinedLog::of(['one.csv' => $whole])->summary)->toBe($whole->summary());
});

it('keeps what lies between two files as a gap, and goes on counting litres that began anew', function () {
    $still = fn (): float => 900.0;
    $joined = JoinedLog::of(['b.csv' => logged(5000, 6000, $still, more: 'L'), 'a.csv' => logged(0, 3000, $still, more: 'L')]);
    expect($joined->summary['gaps'])
        ->toBe(1)
        ->and(Series::longestGap(array_map(fn ($t) => [$t], $joined->columns->times)))
        ->toBe(2000.0)
        ->and(array_slice((array) $joined->columns->litres, -1)[0])
        ->toBe(40.0);
    // Where one of them has none, nothing is made up.
    $mixed = ['a.csv' => logged(0, 3000, $still, more: 'L'), 'b.csv' => logged(5000, 6000, $still)];
    expect(JoinedLog::of($mixed)->columns->litres)->toBeNull();
});

it('takes the earlier of two files that agree, and refuses two that contradict each other', function () {
    $fall = fn (int $t): float => 1200 - $t / 600;
    $both = ['a.csv' => logged(0, 5000, $fall), 'b.csv' => logged(3000, 9000, fn (int $t) => $fall($t) + 1.5, every: 60)];
    expect(JoinedLog::of($both)->columns->count())->toBe(501 + 67);
    expect(fn () => JoinedLog::of(['b.csv' => logged(3000, 9000, fn (int $t) => $fall($t) - 80)] + $both))->toThrow(
        Refused::class,
        '"a.csv" and "b.csv" both tell of 33 minutes, and stand up to 80 kPa apart there',
    );
    // A fall of three minutes that one of them saw does not hide behind the other.
    $fell = fn (int $t): float => $fall($t) - ($t >= 4000 && $t < 4180 ? 300 : 0);
    $hiding = ['b.csv' => logged(3000, 9000, $fell, every: 60)] + $both;
    expect(fn () => JoinedLog::of($hiding))->toThrow(Refused::class, 'up to 300 kPa apart');
});

it('plays a gauge that drifts and knocks from nearby on a section that is as tight as without them', function () {
    $play = fn (string $fault): array => (new PumpAndLogger(
        new Segment(300, 0.1446, 0.0077, 3.0e9, 0.38, 'jointed'),
        12.0,
        1.2e6,
        80 / 60000,
        $fault,
    ))->shut(3660)['rows'];
    [$tight, $drift, $hammer] = array_map($play, ['none', 'drift', 'hammer']);
    $at = fn (array $rows, float $minute): float => array_values(array_filter($rows, fn (array $r) => $r[0] >= $minute))[0][1];
    // 14 kPa an hour, as much as a small leak; what was pumped in is the same.
    expect($at($tight, 120) - $at($drift, 120) - ($at($tight, 60) - $at($drift, 60)))
        ->toEqualWithDelta(14.0, 1.0)
        ->and(end($drift)[2])
        ->toEqualWithDelta(end($tight)[2], 0.2);
    $apart = array_map(fn (array $a, array $b): float => round(abs($a[1] - $b[1])), $tight, $hammer);
    expect(array_values(array_unique(array_filter($apart, fn (float $kpa) => $kpa > 1))))->toBe([120.0]);
});
