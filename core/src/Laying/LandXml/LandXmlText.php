<?php

declare(strict_types=1);

namespace Diastoma\Core\Laying\LandXml;

/** A line with its levels as LandXML 1.2: straights between its places, the profile by the same chainages. Metres. */
final readonly class LandXmlText
{
    /**
     * @param  non-empty-list<array{float, float, float, float}>  $points  chainage, easting, northing, level, m
     * @param  string  $what  of this file, such as "as planned"
     */
    public static function of(string $name, array $points, string $what, \DateTimeImmutable $at): string
    {
        $points = self::stationed($points);
        $out = new \XMLWriter;
        $out->openMemory();
        $out->setIndent(true);
        $out->startDocument('1.0', 'UTF-8');
        $out->startElement('LandXML');
        $out->writeAttribute('xmlns', 'http://www.landxml.org/schema/LandXML-1.2');
        $out->writeAttribute('version', '1.2');
        $out->writeAttribute('date', $at->format('Y-m-d'));
        $out->writeAttribute('time', $at->format('H:i:s'));
        $out->writeAttribute('language', 'English');
        $out->startElement('Units');
        $out->startElement('Metric');
        foreach ([
            'areaUnit' => 'squareMeter', 'linearUnit' => 'meter', 'volumeUnit' => 'cubicMeter', 'temperatureUnit' => 'celsius',
            'pressureUnit' => 'milliBars',
        ] as $key => $value) {
            $out->writeAttribute($key, $value);
        }
        $out->endElement();
        $out->endElement();
        $out->startElement('Alignments');
        $out->startElement('Alignment');
        $out->writeAttribute('name', $name);
        $out->writeAttribute('desc', $what);
        $out->writeAttribute('length', self::number($points[\count($points) - 1][0] - $points[0][0]));
        $out->writeAttribute('staStart', self::number($points[0][0]));
        $out->startElement('CoordGeom');
        for ($i = 1; $i < \count($points); $i++) {
            $out->startElement('Line');
            $out->writeElement('Start', self::number($points[$i - 1][2]).' '.self::number($points[$i - 1][1]));
            $out->writeElement('End', self::number($points[$i][2]).' '.self::number($points[$i][1]));
            $out->endElement();
        }
        $out->endElement();
        $out->startElement('Profile');
        $out->startElement('ProfAlign');
        $out->writeAttribute('name', 'invert');
        foreach ($points as $point) {
            $out->writeElement('PVI', self::number($point[0]).' '.self::number($point[3]));
        }
        $out->endElement();
        $out->endElement();
        $out->endElement();
        $out->endElement();
        $out->endElement();
        $out->endDocument();

        return $out->outputMemory();
    }

    /**
     * Chainages as the lengths of the straights have them: who reads the file counts by those.
     *
     * @param  non-empty-list<array{float, float, float, float}>  $points
     * @return non-empty-list<array{float, float, float, float}>
     */
    private static function stationed(array $points): array
    {
        for ($i = 1; $i < \count($points); $i++) {
            $run = hypot($points[$i][1] - $points[$i - 1][1], $points[$i][2] - $points[$i - 1][2]);
            $points[$i][0] = $points[$i - 1][0] + $run;
        }

        return $points;
    }

    private static function number(float $metres): string
    {
        return number_format($metres, 5, '.', '');
    }
}
