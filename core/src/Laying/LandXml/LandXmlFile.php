<?php

declare(strict_types=1);

namespace Diastoma\Core\Laying\LandXml;

use Diastoma\Core\Refused;

/**
 * A LandXML file as far as pipes need it: its first alignment with lines, arcs and clothoids, and the profile along it. Read as version
 * 1.2 of the published schema has it, from memory; what it does not know it says, and reads nothing by halves.
 */
final readonly class LandXmlFile
{
    /** Metres of the units that the schema names. */
    private const UNITS = [
        'meter' => 1.0, 'millimeter' => 0.001, 'centimeter' => 0.01, 'kilometer' => 1000.0,
        'foot' => 0.3048, 'ussurveyfoot' => 1200 / 3937, 'inch' => 0.0254,
    ];

    private const MOST_BYTES = 20_000_000;

    private function __construct(private \SimpleXMLElement $alignment, private float $unit)
    {
    }

    /** @throws Refused */
    public static function of(string $text): self
    {
        if (\strlen($text) > self::MOST_BYTES) {
            throw self::refused('The file has more than 20 MB: export the alignment alone.');
        }
        if (stripos($text, '<!DOCTYPE') !== false || stripos($text, '<!ENTITY') !== false) {
            throw self::refused('The file declares entities, which no LandXML file needs: it is not read.');
        }
        $before = libxml_use_internal_errors(true);
        // The namespace differs from version to version, the names do not.
        $xml = simplexml_load_string((string) preg_replace('/\sxmlns="[^"]*"/', '', $text), options: LIBXML_NONET);
        libxml_clear_errors();
        libxml_use_internal_errors($before);
        if ($xml === false || $xml->getName() !== 'LandXML') {
            throw self::refused('The file is no LandXML: its first element must be LandXML.');
        }
        $alignments = $xml->xpath('//Alignment') ?: [];
        if (\count($alignments) !== 1) {
            throw self::refused('The file holds '.\count($alignments).' alignments; it must hold one: export that of this main alone.');
        }

        return new self($alignments[0], self::unit($xml));
    }

    /**
     * @return non-empty-list<array{float, float, float, float}> chainage, easting, northing, level, m; curves as points so near to each
     * other that their chords leave them by no more than half a millimetre
     *
     * @throws Refused
     */
    public function points(): array
    {
        if (isset($this->alignment->StaEquation)) {
            throw self::refused('The alignment has a station equation, where chainages jump: export it with chainages that go on.');
        }
        $levels = $this->profile();
        $points = (new CoordGeometry($this->alignment, $this->unit))->points($levels?->stations() ?? []);
        $rows = [];
        foreach ($points as [$station, $east, $north, $level]) {
            $height = $levels === null ? $level : $levels->at($station);
            if ($height === null) {
                throw self::refused(sprintf('No level at chainage %.2f m: the profile must reach over the whole alignment.', $station));
            }
            $rows[] = [$station, $east, $north, $height];
        }
        if (\count($rows) < 2) {
            throw self::refused('The alignment holds fewer than two places.');
        }

        return $rows;
    }

    private function profile(): ?ProfileLevels
    {
        $profiles = $this->alignment->xpath('.//ProfAlign') ?: [];
        if (\count($profiles) > 1) {
            throw self::refused('The alignment has '.\count($profiles).' profiles; it must have one: that of the invert.');
        }

        return $profiles === [] ? null : new ProfileLevels($profiles[0], $this->unit);
    }

    private static function unit(\SimpleXMLElement $xml): float
    {
        $named = ($xml->xpath('//Units/*/@linearUnit') ?: [])[0] ?? null;
        if ($named === null) {
            throw self::refused('The file does not say its unit of length: LandXML has it under Units, linearUnit.');
        }

        return self::UNITS[strtolower((string) $named)]
            ?? throw self::refused("The file has the unit of length \"{$named}\"; known are ".implode(', ', array_keys(self::UNITS)).'.');
    }

    /**
     * @param  int  $least  how many numbers there must be
     * @return list<float> m
     */
    public static function numbers(string $text, float $unit, int $least): array
    {
        $numbers = [];
        foreach (preg_split('/[\s,]+/', trim($text)) ?: [] as $cell) {
            if (preg_match('/^-?\d+(\.\d*)?([eE][-+]?\d+)?$/', $cell) !== 1) {
                throw self::refused('"'.mb_substr($cell, 0, 40).'" is no number; '.$least.' are wanted there.');
            }
            $numbers[] = (float) $cell * $unit;
        }
        if (\count($numbers) < $least) {
            throw self::refused('"'.mb_substr(trim($text), 0, 40)."\" holds too few numbers; {$least} are wanted there.");
        }

        return $numbers;
    }

    public static function refused(string $sentence): Refused
    {
        return Refused::field('file', $sentence);
    }
}
