<?php

namespace App\Pack;

use App\Support\Say;
use Symfony\Component\Process\Process;

/**
 * Binds a long document out of pieces: each is printed by itself into a file, so that never more than one stands in memory, and
 * the files are put one behind the other. What stands before page 1 has Roman numbers, and is printed last: it says on which
 * page everything is.
 */
final class Binder
{
    /** s; ten thousand pages take some tens of seconds */
    private const LONGEST_S = 1800;

    private const OPEN_AT_ONCE = 400;

    /** @var list<string> files, in the order of their pages */
    private array $bound = [];

    private int $pages = 0;

    private readonly Paper $paper;

    /** @param  string  $folder  where the pieces lie until they are bound, and the pictures in them */
    public function __construct(private readonly string $folder)
    {
        $this->paper = new Paper($folder);
    }

    /** The number of the page that comes next. */
    public function next(): int
    {
        return $this->pages + 1;
    }

    public function pages(): int
    {
        return $this->pages;
    }

    /** @param  bool  $ends  nothing comes after it: its last page says so, that none can be taken off unseen */
    public function add(string $html, bool $ends = false): void
    {
        $file = sprintf('%s/%06d.pdf', $this->folder, \count($this->bound));
        $from = $this->next();
        $number = fn (int $n, bool $isLast): string => Say::text(
            $ends && $isLast ? 'pack.pageLast' : 'pack.pageAlone', ['page' => $from + $n],
        );
        $this->pages += $this->paper->printPiece($html, $file, $number);
        $this->bound[] = $file;
        // Laid out pages refer to each other: what is done with is freed before the next one.
        gc_collect_cycles();
    }

    /** @param  string|null  $front  HTML of what stands before page 1 */
    public function bind(string $into, ?string $front = null): void
    {
        $files = $this->bound;
        if ($front !== null) {
            $first = "{$this->folder}/front.pdf";
            $this->paper->printPiece($front, $first, fn (int $n): string => Say::text('pack.pageAlone', ['page' => self::roman($n + 1)]));
            array_unshift($files, $first);
        }
        // All that is joined is open at once, and a process may not open any number of files.
        $parts = [];
        foreach (array_chunk($files, self::OPEN_AT_ONCE) as $n => $some) {
            $this->join($some, $parts[] = sprintf('%s/part-%06d.pdf', $this->folder, $n));
        }
        $this->join($parts, $into);
    }

    /** @param  list<string>  $files */
    private function join(array $files, string $into): void
    {
        $joining = new Process(['pdfunite', ...$files, $into], timeout: self::LONGEST_S);
        if ($joining->run() !== 0) {
            throw new \RuntimeException('The pieces could not be bound: '.trim($joining->getErrorOutput()));
        }
    }

    private static function roman(int $number): string
    {
        $written = '';
        foreach (['x' => 10, 'ix' => 9, 'v' => 5, 'iv' => 4, 'i' => 1] as $letters => $worth) {
            while ($number >= $worth) {
                $written .= $letters;
                $number -= $worth;
            }
        }

        return $written;
    }
}
