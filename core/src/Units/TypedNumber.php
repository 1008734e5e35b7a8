<?php

declare(strict_types=1);

namespace Diastoma\Core\Units;

/**
 * The number forms that people type, read by one anchored grammar: whatever is left over is refused.
 *
 * Fractions stay whole numbers until the last step (n/64 in is exact in mm to six decimals).
 */
final readonly class TypedNumber
{
    private const DENOMINATORS = [2, 4, 8, 16, 32, 64];

    /** What a float holds exactly. */
    private const MOST_DIGITS = 15;

    /** @param  float  $step  the smallest step that the typing shows, in the unit typed */
    private function __construct(public float $value, public float $step, public bool $fraction, public string $rest)
    {
    }

    /** Vulgar fractions, typographic marks and spaces made plain. */
    public static function normalise(string $text): string
    {
        $vulgar = [
            '½' => '1/2',
            '⅓' => '1/3',
            '⅔' => '2/3',
            '¼' => '1/4',
            '¾' => '3/4',
            '⅛' => '1/8',
            '⅜' => '3/8',
            '⅝' => '5/8',
            '⅞' => '7/8',
        ];
        foreach ($vulgar as $sign => $plain) {
            // Before any other step: compatibility folding would make 1½ into 11/2.
            $text = (string) preg_replace('/(?<=-)'.$sign.'/u', $plain, $text);
            $text = str_replace($sign, ' '.$plain, $text);
        }
        $text = str_replace(['′', '‘', '’'], "'", $text);
        $text = str_replace(['″', '“', '”', "''"], '"', $text);
        $text = str_replace(['−', '–', '‐', '‑'], '-', $text);
        $text = str_replace(['º', '˚', '⁄', '⋅'], ['°', '°', '/', '·'], $text);
        $narrow = '[\x{00A0}\x{2007}\x{2008}\x{2009}\x{200A}\x{202F}]';
        $text = (string) preg_replace("/(?<=[0-9]){$narrow}(?=[0-9]{3}(?![0-9\\/]))/u", '', $text);
        $text = (string) preg_replace("/{$narrow}/u", ' ', $text);

        return trim((string) preg_replace('/\s+/u', ' ', $text));
    }

    /**
     * Number at the start of the text and the rest behind it.
     *
     * @param  'point'|'comma'  $style
     *
     * @throws Ambiguous
     */
    public static function read(string $text, string $style): self
    {
        if (preg_match('/[~<>≈±?]|^(ca|about|approx)\b/iu', $text) === 1) {
            throw new Ambiguous('write the plain number, without "about", < or ±');
        }
        if (preg_match('#^([+-]?)(?:([0-9]+)(?: |-))?([0-9]+)/([0-9]+)\s*(.*)$#Du', $text, $m) === 1) {
            if (max(\strlen($m[2]), \strlen($m[3]), \strlen($m[4])) > self::MOST_DIGITS) {
                throw new Ambiguous('that is more digits than anybody measures');
            }
            [$whole, $top, $bottom] = [(int) $m[2], (int) $m[3], (int) $m[4]];
            self::mustBeTapeFraction($top, $bottom);
            $value = $whole + $top / $bottom;

            return new self($m[1] === '-' ? -$value : $value, 1 / $bottom, true, self::rest($m[5]));
        }
        if (preg_match('/^([+-]?)([0-9][0-9.,]*|[.,][0-9][0-9.,]*)\s*(.*)$/Du', $text, $m) === 1) {
            [$value, $decimals] = self::decimal($m[2], $style);

            return new self($m[1] === '-' ? -$value : $value, 10 ** -$decimals, false, self::rest($m[3]));
        }
        throw new Ambiguous('that is no number');
    }

    /** @throws Ambiguous */
    private static function mustBeTapeFraction(int $top, int $bottom): void
    {
        if (! \in_array($bottom, self::DENOMINATORS, true)) {
            throw new Ambiguous("a tape has no /{$bottom}: fractions are halves, quarters, 8ths, 16ths, 32nds or 64ths");
        }
        if ($top >= $bottom) {
            throw new Ambiguous("{$top}/{$bottom} is more than a whole: write it as a whole number and a fraction, or as a decimal");
        }
    }

    /** @throws Ambiguous */
    private static function rest(string $rest): string
    {
        $rest = trim($rest);
        if (preg_match('#^[-+]?[\d.,/]#', $rest) === 1) {
            throw new Ambiguous('that looks like two numbers; this field takes one');
        }

        return $rest;
    }

    /**
     * @param  'point'|'comma'  $style
     * @return array{float, int} value and number of decimals
     *
     * @throws Ambiguous
     */
    private static function decimal(string $digits, string $style): array
    {
        $points = substr_count($digits, '.');
        $commas = substr_count($digits, ',');
        $mark = null;
        if ($points > 0 && $commas > 0) {
            $mark = strrpos($digits, '.') > strrpos($digits, ',') ? '.' : ',';
            if (substr_count($digits, $mark) > 1) {
                throw new Ambiguous("{$digits}: the decimal mark stands twice");
            }
        } elseif ($points + $commas === 1) {
            $mark = $points === 1 ? '.' : ',';
            $own = $style === 'comma' ? ',' : '.';
            if ($mark !== $own && preg_match('/^(?!0[.,])\d{1,3}[.,]\d{3}$/', $digits) === 1) {
                $plain = str_replace($mark, '', $digits);
                throw new Ambiguous(
                    "{$digits} could be {$plain} or ".
                        str_replace($mark, '.', $digits).
                        ': write it without the '.
                        ($mark === ',' ? 'comma' : 'point').
                        ' or with more decimals',
                );
            }
        }
        [$whole, $decimals] = $mark === null ? [$digits, ''] : explode($mark, $digits);
        $grouping = $mark === null ? ($points > 0 ? '.' : ',') : ($mark === '.' ? ',' : '.');
        if (str_contains($whole, $grouping)) {
            if (preg_match('/^\d{1,3}('.preg_quote($grouping, '/').'\d{3})+$/', $whole) !== 1) {
                throw new Ambiguous("{$digits}: the digits are not grouped by threes");
            }
            $whole = str_replace($grouping, '', $whole);
        }
        if (preg_match('/^\d*$/', $whole.$decimals) !== 1 || $whole.$decimals === '') {
            throw new Ambiguous("{$digits} is no number");
        }
        if (\strlen(ltrim($whole, '0').$decimals) > self::MOST_DIGITS) {
            throw new Ambiguous('that is more digits than anybody measures');
        }

        return [(float) (($whole === '' ? '0' : $whole).'.'.($decimals === '' ? '0' : $decimals)), \strlen($decimals)];
    }
}
