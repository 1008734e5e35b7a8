<?php

namespace App\Support;

use Closure;
use Diastoma\Core\Procedure\AsCode;
use Diastoma\Core\Procedure\Procedure;
use Symfony\Component\Finder\Finder;

/** Frozen procedures, compiled once by this core and not at each request; a file each, by the hash of its text. */
final readonly class CompiledProcedures
{
    public function __construct(private string $folder)
    {
    }

    /** What the compiler and all that it reads is, in a word: what another core compiled is not taken. */
    public static function core(): string
    {
        static $word = null;
        if ($word === null) {
            $hash = hash_init('sha256');
            $files = Finder::create()->files()->in([base_path('core/src'), base_path('core/data')])->exclude('examples');
            foreach ($files->sortByName() as $file) {
                hash_update($hash, $file->getRelativePathname()."\0".$file->getContents());
            }
            $word = substr(hash_final($hash), 0, 16);
        }

        return $word;
    }

    /** @param  Closure(): Procedure  $compile */
    public function get(string $hash, Closure $compile): Procedure
    {
        $file = "{$this->folder}/{$hash}.php";
        if (is_file($file)) {
            return require $file;
        }
        $procedure = $compile();
        $this->keep($file, AsCode::of($procedure));

        return $procedure;
    }

    /** Whole or not at all: another request may be reading. Without room it is compiled again next time. */
    private function keep(string $file, string $code): void
    {
        is_dir($this->folder) || @mkdir($this->folder, 0700, true);
        $draft = @tempnam($this->folder, 'new');
        if ($draft === false || \dirname($draft) !== realpath($this->folder)) {
            return;
        }
        if (@file_put_contents($draft, $code) !== \strlen($code) || ! @rename($draft, $file)) {
            @unlink($draft);
        }
    }
}
