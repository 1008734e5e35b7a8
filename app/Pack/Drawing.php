<?php

namespace App\Pack;

/**
 * Lines and words on paper: the lines as SVG, the words over it as text of the page, so that they have the typeface of the page.
 *
 * Places in px from the upper left, 96 to the inch.
 */
final class Drawing
{
    public const INK = '#241d17';

    public const FAINT = '#5b5147';

    public const RULE = '#d9cfbd';

    public const BAND = '#efe8da';

    public const ACCENT = '#a8401c';

    public const WATER = '#2f6690';

    /** px */
    private const LETTERS = 11;

    /** How wide a letter is by its size, on average; enough to see whether words fit. */
    private const LETTER = 0.52;

    private string $svg = '';

    private string $words = '';

    public function __construct(public readonly int $width, public readonly int $height)
    {
    }

    public function rect(float $x, float $y, float $width, float $height, string $fill): self
    {
        $place = sprintf('x="%.1f" y="%.1f" width="%.1f" height="%.1f"', $x, $y, max(0, $width), max(0, $height));
        $this->svg .= "<rect {$place} fill=\"{$fill}\"/>";

        return $this;
    }

    /** @param  list<array{float, float}>  $points */
    public function line(array $points, string $colour = self::INK, float $wide = 1.0, string $dashes = ''): self
    {
        $this->svg .= sprintf(
            '<polyline fill="none" stroke="%s" stroke-width="%.2f"%s points="%s"/>',
            $colour,
            $wide,
            $dashes === '' ? '' : " stroke-dasharray=\"{$dashes}\"",
            implode(' ', array_map(fn (array $p) => sprintf('%.1f,%.1f', ...$p), $points)),
        );

        return $this;
    }

    public function dot(float $x, float $y, float $radius, string $fill, string $edge = self::INK): self
    {
        $this->svg .= sprintf(
            '<circle cx="%.1f" cy="%.1f" r="%.1f" fill="%s" stroke="%s" stroke-width="1.2"/>', $x, $y, $radius, $fill, $edge,
        );

        return $this;
    }

    /**
     * @param  'left'|'center'|'right'  $at  which part of the words stands at x
     * @param  float  $y  of the middle of the line
     */
    public function text(
        float $x, float $y, string $text, string $at = 'left', bool $bold = false, string $colour = self::INK,
    ): self {
        $width = 260;
        $size = self::LETTERS;
        $left = ['left' => $x, 'center' => $x - $width / 2, 'right' => $x - $width][$at];
        $this->words .= sprintf(
            '<span style="position:absolute;left:%.1fpx;top:%.1fpx;width:%dpx;text-align:%s;font-size:%dpx;line-height:1;'.
                'white-space:nowrap;color:%s;font-weight:%s">%s</span>',
            $left, $y - 0.58 * $size, $width, $at, $size, $colour, $bold ? 'bold' : 'normal', e($text),
        );

        return $this;
    }

    public static function widthOf(string $text): float
    {
        return mb_strlen($text) * self::LETTERS * self::LETTER;
    }

    /** As HTML that dompdf reads. */
    public function __toString(): string
    {
        $size = "width=\"{$this->width}\" height=\"{$this->height}\"";
        $svg = "<svg xmlns=\"http://www.w3.org/2000/svg\" {$size} viewBox=\"0 0 {$this->width} {$this->height}\">{$this->svg}</svg>";

        return "<div style=\"position:relative;width:{$this->width}px;height:{$this->height}px;page-break-inside:avoid\">".
            '<img alt="" src="data:image/svg+xml;base64,'.base64_encode($svg)."\" {$size} style=\"position:absolute;left:0;top:0\">".
            $this->words.'</div>';
    }
}
