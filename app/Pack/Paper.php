<?php

namespace App\Pack;

use App\Support\Say;
use Dompdf\Dompdf;
use Dompdf\Options;

/** HTML on A4 in the product's own typeface, each page with its number. */
final readonly class Paper
{
    public const FAMILY = 'Atkinson Hyperlegible Next';

    private const FACES = ['normal' => 'AtkinsonHyperlegibleNext-Regular.ttf', 'bold' => 'AtkinsonHyperlegibleNext-Bold.ttf'];

    /** pt from the left and the top of A4, under the text */
    private const NUMBER_AT = [500.0, 806.0];

    private const NUMBER_SIZE = 8.5;

    /** @param  string|null  $pictures  a folder out of which pictures may be taken; null: there are none */
    public function __construct(private ?string $pictures = null)
    {
    }

    /** @return string a document of its own: page 1 of 7 */
    public function print(string $html): string
    {
        $pdf = $this->laidOut($html);
        [$x, $y] = self::NUMBER_AT;
        $number = Say::text('pack.page', ['page' => '{PAGE_NUM}', 'of' => '{PAGE_COUNT}']);
        $pdf->getCanvas()->page_text($x, $y, $number, $this->face($pdf), self::NUMBER_SIZE);

        return (string) $pdf->output();
    }

    /**
     * A piece of a longer document.
     *
     * @param  \Closure(int, bool): string  $number  as the nth page of the piece is called, from 0; and whether it is its last
     * @return int pages
     */
    public function printPiece(string $html, string $file, \Closure $number): int
    {
        $pdf = $this->laidOut($html);
        $canvas = $pdf->getCanvas();
        [$x, $y] = self::NUMBER_AT;
        $face = $this->face($pdf);
        $canvas->page_script(function (int $page, int $of) use ($canvas, $x, $y, $face, $number): void {
            $canvas->text($x, $y, $number($page - 1, $page === $of), $face, self::NUMBER_SIZE);
        });
        $pages = $canvas->get_page_count();
        if (file_put_contents($file, (string) $pdf->output()) === false) {
            throw new \RuntimeException("{$file} cannot be written");
        }

        return $pages;
    }

    private function laidOut(string $html): Dompdf
    {
        $folder = storage_path('app/faces');
        if (! is_dir($folder)) {
            @mkdir($folder, 0o755, true);
        }
        $options = (new Options)
            ->setIsRemoteEnabled(false)
            ->setChroot(array_filter([resource_path('fonts'), $this->pictures]))
            ->setTempDir(storage_path('app'))
            ->setFontDir($folder)
            ->setFontCache($folder)
            ->setDefaultFont(self::FAMILY);
        $pdf = new Dompdf($options);
        $this->takeFaces($pdf, $folder);
        $pdf->loadHtml($html);
        $pdf->setPaper('A4');
        $pdf->render();

        return $pdf;
    }

    private function face(Dompdf $pdf): ?string
    {
        return $pdf->getFontMetrics()->getFont(self::FAMILY, 'normal');
    }

    /** The first print measures the letters and keeps that; of two at once one waits. */
    private function takeFaces(Dompdf $pdf, string $folder): void
    {
        $lock = fopen("{$folder}/lock", 'c') ?: throw new \RuntimeException("{$folder} cannot be written");
        flock($lock, LOCK_EX);
        foreach (self::FACES as $weight => $file) {
            $pdf->getFontMetrics()->registerFont(
                ['family' => self::FAMILY, 'style' => 'normal', 'weight' => $weight],
                resource_path("fonts/{$file}"),
            );
        }
        flock($lock, LOCK_UN);
        fclose($lock);
    }
}
