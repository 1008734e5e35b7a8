<?php

declare(strict_types=1);

use Diastoma\Core\Laying\CentreLine;
use Diastoma\Core\Laying\SurveyedLevels;
use Diastoma\Core\Refused;

require_once __DIR__.'/helpers.php';

/* Levels out of a surveyor's file. By hand: a line that runs 100 m to the north, then 100 m to the east. */

function cornered(): CentreLine
{
    return new CentreLine([[0.0, 1000.0, 2000.0, 10.0], [100.0, 1000.0, 2100.0, 11.0], [200.0, 1100.0, 2100.0, 12.0]]);
}

/** @return array{entries: list<array<string, float>>, left_out: list<string>} */
function surveyed(string $csv): array
{
    return SurveyedLevels::read($csv, cornered());
}

it('finds in coordinates where along the line a point lies and how far off it, plus to the right', function () {
    $read = surveyed("point,easting,northing,invert\n2,1050,2099.97,11.5\n1,1000.02,2025,10.251\n");
    expect($read['entries'])->toBe([
        ['at_m' => 25.0, 'level_m' => 10.251, 'off_mm' => 20.0],
        ['at_m' => 150.0, 'level_m' => 11.5, 'off_mm' => 30.0],
    ])->and($read['left_out'])->toBe([]);
});

it('takes a point to the left for one to the left, and turns with the line', function () {
    [$north, $east] = [surveyed("e;n;z\n999,985;2050;10\n"), surveyed("e;n;z\n1050;2100,015;10\n")];
    expect($north['entries'][0]['off_mm'])->toBe(-15.0)->and($east['entries'][0]['off_mm'])->toBe(-15.0);
});

it('reads chainages with their offset in the unit that the heading says, and leaves out what nobody read', function () {
    expect(surveyed("chainage\tinvert\toffset [mm]\n6\t10.06\t-4\n")['entries'])
        ->toBe([['at_m' => 6.0, 'level_m' => 10.06, 'off_mm' => -4.0]])
        ->and(surveyed("station [ft],level [ft],offset [m]\n10,33,0.004\n")['entries'])
        ->toBe([['at_m' => 3.048, 'level_m' => 10.0584, 'off_mm' => 4.0]])
        ->and(surveyed("chainage,level\n6,10.06\n")['entries'])->toBe([['at_m' => 6.0, 'level_m' => 10.06]]);
});

it('leaves out what is none of the line, and says so', function () {
    $read = surveyed("e,n,z\n1000,2010,10\n1006,2010,10\n1000,1998,10\n1000,1999.95,10\n1103,2100,12\n");
    expect(array_column($read['entries'], 'at_m'))->toBe([0.0, 10.0])
        ->and($read['left_out'])->toBe([
            'Line 3 lies 6 m off the line: it is no place of it.',
            'Line 4 lies 2 m beyond the end of the line: it is no place of it.',
            'Line 6 lies 3 m beyond the end of the line: it is no place of it.',
        ]);
});

it('reads the same whatever the order of the rows, whoever wrote the file, and with remarks in it', function () {
    $rows = ['1000,2010,10', '1000,2030,10.2', '1000,2020,10.1'];
    $one = surveyed("# surveyed\ne,n,z\n".implode("\n", $rows));
    $other = surveyed("\u{FEFF}E;N;Z\r\n".str_replace([',', '.'], [';', ','], implode("\r\n", array_reverse($rows)))."\r\n\r\n");
    expect($other)->toBe($one);
});

it('refuses what cannot be told, naming line and column', function (string $csv, string $sentence) {
    try {
        surveyed($csv);
        $said = 'nothing';
    } catch (Refused $refused) {
        $said = $refused->getMessage();
    }
    expect($said)->toContain($sentence);
})->with([
    'no level' => ["e,n\n1,2\n", 'The heading wants easting, northing and invert, or chainage, invert and offset [mm]. Found: e, n.'],
    'half a place' => ["chainage,e,z\n1,2,3\n", 'easting and northing belong together'],
    'a crown' => ["e,n,level of crown\n1000,2010,10\n", 'is no level of the invert'],
    'an offset in no unit' => ["chainage,level,offset\n1,10,4\n", 'offset has no unit'],
    'a unit that is none' => ["chainage [rod],level\n1,10\n", 'chainage is in [rod]; known are m, mm, ft, in.'],
    'two levels' => ["e,n,level,height\n1,2,3,4\n", 'The heading has more than one invert: "level" and "height". Leave one.'],
    'a word for a figure' => ["e,n,z\n1000,2010,ten\n", 'Line 2: invert is no number: "ten".'],
    'nothing for a figure' => ["e,n,z\n1000,,10\n", 'Line 2: northing is no number: "".'],
    'a decimal comma between commas' => ["e,n,z\n1000,2010,10,5\n", 'Line 2 has more cells than the heading'],
    'only a heading' => ["e,n,z\n", 'The file holds no row'],
    'nothing' => ['', 'The file holds no row'],
    'too many' => ["chainage,level\n".str_repeat("1,2\n", 501), 'The file has 501 rows; at most 500 are read at once.'],
]);

it('is read by a step that says so, and a step that cannot take it is named', function (string $reads, array $keys, string $sentence) {
    $fields = array_map(fn (string $key) => ['key' => $key, 'label' => $key, 'quantity' => 'length'], $keys);
    try {
        little([['id' => 'one', 'kind' => 'entries', 'title' => 'One', 'reads' => $reads, 'fields' => $fields]]);
        $said = 'nothing';
    } catch (Refused $refused) {
        $said = implode("\n", array_column($refused->faults, 'message'));
    }
    expect($said)->toContain($sentence);
})->with([
    'right' => ['surveyed-levels', ['at_m', 'level_m', 'off_mm'], 'nothing'],
    'misspelt' => ['surveyd-levels', ['at_m', 'level_m', 'off_mm'], '"surveyd-levels" is no file that entries are read out of'],
    'without a field' => ['surveyed-levels', ['at_m', 'level_m'], 'gives "off_mm", which no field of this step takes'],
]);
