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

    public function print(string $html): string
    {
        $folder = storage_path('app/faces');
        if (! is_dir($folder)) {
            @mkdir($folder, 0o755, true);
        }
        $options = (new Options)
            ->setIsRemoteEnabled(false)
            ->setChroot([resource_path('fonts')])
            ->setTempDir(storage_path('app'))
            ->setFontDir($folder)
            ->setFontCache($folder)
            ->setDefaultFont(self::FAMILY);
        $pdf = new Dompdf($options);
        $this->takeFaces($pdf, $folder);
        $pdf->loadHtml($html);
        $pdf->setPaper('A4');
        $pdf->render();
        $face = $pdf->getFontMetrics()->getFont(self::FAMILY, 'normal');
        [$x, $y] = self::NUMBER_AT;
        $number = Say::text('pack.page', ['page' => '{PAGE_NUM}', 'of' => '{PAGE_COUNT}']);
        $pdf->getCanvas()->page_text($x, $y, $number, $face, self::NUMBER_SIZE);

        return (string) $pdf->output();
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
