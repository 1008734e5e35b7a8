<?php

declare(strict_types=1);

use Diastoma\Core\Laying\LandXml\LandXmlFile;
use Diastoma\Core\Laying\LandXml\LandXmlText;
use Diastoma\Core\Refused;

/*
 * LandXML 1.2, by its published schema from memory: no registry here carries the schema to hold files against. The geometry is checked
 * against closed forms: arcs by their centre, a clothoid by the series of its coordinates.
 */

function landXml(string $geometry, string $profile = '<PVI>0 10</PVI><PVI>1000 15</PVI>', string $more = '', string $unit = 'meter'): string
{
    return <<<XML
        <?xml version="1.0"?>
        <LandXML xmlns="http://www.landxml.org/schema/LandXML-1.2" version="1.2">
          <Units><Metric linearUnit="{$unit}" areaUnit="squareMeter"/></Units>
          <Alignments><Alignment name="main" length="100" staStart="0"><CoordGeom>{$geometry}</CoordGeom>{$more}
            <Profile><ProfAlign name="invert">{$profile}</ProfAlign></Profile></Alignment></Alignments>
        </LandXML>
        XML;
}

/** North stands before east in the file. */
const STRAIGHT = '<Line><Start>500 200</Start><End>600 200</End></Line>';

it('reads a straight northwards, with its levels', function () {
    expect(LandXmlFile::of(landXml(STRAIGHT))->points())->toEqual([[0.0, 200.0, 500.0, 10.0], [100.0, 200.0, 600.0, 10.5]]);
});

it('follows an arc to the right within half a millimetre of its circle', function () {
    // A quarter of a circle of 80 m about (280, 500): from heading north to heading east.
    $arc = '<Curve rot="cw" crvType="arc"><Start>500 200</Start><Center>500 280</Center><End>580 280</End></Curve>';
    $points = LandXmlFile::of(landXml($arc))->points();
    $last = $points[count($points) - 1];
    expect($last[0])->toEqualWithDelta(40 * M_PI, 1e-9)->and([$last[1], $last[2]])->toEqual([280.0, 580.0]);
    foreach ($points as $i => [$at, $east, $north, $level]) {
        expect(hypot($east - 280, $north - 500))->toEqualWithDelta(80.0, 1e-9)
            ->and($level)->toEqualWithDelta(10 + $at / 200, 1e-9);
        if ($i > 0) {
            $middle = [($east + $points[$i - 1][1]) / 2 - 280, ($north + $points[$i - 1][2]) / 2 - 500];
            expect(80 - hypot(...$middle))->toBeLessThan(0.00051);
        }
    }
});

it('turns left where the file says so', function () {
    $arc = '<Curve rot="ccw"><Start>500 200</Start><Center>500 120</Center><End>580 120</End></Curve>';
    $points = LandXmlFile::of(landXml($arc))->points();
    expect($points[1][1])->toBeLessThan(200.0)->and($points[count($points) - 1][0])->toEqualWithDelta(40 * M_PI, 1e-9);
});

it('walks a clothoid to where its series ends', function () {
    // x = L − L⁵/(40 R² L²)…, y = L²/(6 R) − L⁴/(336 R³)…, of a clothoid from straight to R = 120 over 60 m, to the right of north.
    [$length, $radius] = [60.0, 120.0];
    $x = $length * (1 - $length ** 2 / (40 * $radius ** 2) + $length ** 4 / (3456 * $radius ** 4));
    $y = $length ** 2 / (6 * $radius) * (1 - $length ** 2 / (56 * $radius ** 2) + $length ** 4 / (7040 * $radius ** 4));
    $spiral = sprintf(
        '<Spiral length="60" radiusStart="INF" radiusEnd="120" rot="cw" spiType="clothoid">'
            .'<Start>500 200</Start><PI>540 200</PI><End>%.6f %.6f</End></Spiral>',
        500 + $x,
        200 + $y,
    );
    $points = LandXmlFile::of(landXml($spiral))->points();
    $last = $points[count($points) - 1];
    expect($last[0])->toEqualWithDelta(60.0, 1e-9)->and($last[1])->toEqualWithDelta(200 + $y, 1e-3);
    $middle = array_values(array_filter($points, fn (array $p) => abs($p[0] - 30) < 1.0))[0];
    // Halfway the curvature is half of that at its end: y = s³/(6 R L).
    expect($middle[1] - 200)->toEqualWithDelta($middle[0] ** 3 / (6 * $radius * $length), 2e-3);
});

it('goes over a crest by the parabola of the profile', function () {
    $profile = '<PVI>0 10</PVI><ParaCurve length="40">50 11</ParaCurve><PVI>100 10</PVI>';
    $points = LandXmlFile::of(landXml(STRAIGHT, $profile))->points();
    $level = fn (float $at) => array_values(array_filter($points, fn (array $p) => abs($p[0] - $at) < 1e-6))[0][3];
    // In the middle of a parabola the line lies (change of grade) × length / 8 under its corner: 0.04 × 40 / 8.
    expect($level(50))->toEqualWithDelta(10.8, 1e-9)->and($level(30))->toEqualWithDelta(10.6, 1e-9);
});

it('takes what it wrote, and feet for feet', function () {
    $points = [[0.0, 4302.1, 1450.2, 96.2], [6.0, 4308.05, 1450.9, 96.224], [11.9, 4313.9, 1451.7, 96.25]];
    $text = LandXmlText::of('Sallow & Bank', $points, 'laying plan', new DateTimeImmutable('2026-05-04T08:00:00Z'));
    foreach (LandXmlFile::of($text)->points() as $i => $point) {
        foreach ($point as $k => $value) {
            expect($value)->toEqualWithDelta($points[$i][$k], [0.02, 1e-5, 1e-5, 1e-5][$k]);
        }
    }
    expect(LandXmlFile::of(landXml(STRAIGHT, unit: 'foot'))->points()[1])->toEqualWithDelta([30.48, 60.96, 182.88, 3.2004], 1e-9)
        ->and(LandXmlFile::of(landXml(STRAIGHT, unit: 'USSurveyFoot'))->points()[1][0])->toEqualWithDelta(100 * 1200 / 3937, 1e-9);
});

it('refuses what it does not know, and says what', function (string $text, string $says) {
    expect(fn () => LandXmlFile::of($text)->points())->toThrow(Refused::class, $says);
})->with([
    'no xml' => ['<LandXML', 'is no LandXML'],
    'another document' => ['<html><body/></html>', 'is no LandXML'],
    'entities' => ['<!DOCTYPE x [<!ENTITY a SYSTEM "file:///etc/passwd">]><LandXML>&a;</LandXML>', 'entities'],
    'no unit' => ['<LandXML><Alignments><Alignment><CoordGeom/></Alignment></Alignments></LandXML>', 'unit of length'],
    'no alignment' => ['<LandXML><Units><Metric linearUnit="meter"/></Units></LandXML>', '0 alignments'],
    'an unknown unit' => [landXml(STRAIGHT, unit: 'fathom'), 'fathom'],
    'a gap' => [landXml(STRAIGHT.'<Line><Start>601 200</Start><End>700 200</End></Line>'), 'is a gap'],
    'a curve off its centre' => [
        landXml('<Curve rot="cw"><Start>500 200</Start><Center>500 280</Center><End>590 280</End></Curve>'), 'same distance',
    ],
    'a curve that does not say where to' => [
        landXml('<Curve><Start>500 200</Start><Center>500 280</Center><End>580 280</End></Curve>'), 'which way it turns',
    ],
    'a spiral of another kind' => [
        landXml('<Spiral length="60" radiusEnd="120" rot="cw" spiType="bloss"><Start>0 0</Start><End>9 9</End></Spiral>'),
        'bloss',
    ],
    'an element that is not read' => [landXml('<IrregularLine><Start>0 0</Start></IrregularLine>'), 'IrregularLine'],
    'a profile that ends before' => [landXml(STRAIGHT, '<PVI>0 10</PVI><PVI>60 11</PVI>'), 'No level at chainage 100.00'],
    'a word for a number' => [landXml('<Line><Start>north 200</Start><End>600 200</End></Line>'), '"north" is no number'],
    'station equations' => [landXml(STRAIGHT, more: '<StaEquation staAhead="200" staInternal="50"/>'), 'station equation'],
]);
