<?php

namespace App\Support;

use Closure;
use Diastoma\Core\Procedure\AsCode;
use Diastoma\Core\Procedure\Procedure;
use Symfony\Component\Finder\Finder;

/** Frozen procedures, compiled once by this core and not at each request; a file each, by the hash of its text, and one for lists. */
final readonly class CompiledProcedures
{
    public function __construct(private string $folder)
    {
    }

    /** What the compiler, all that it reads, and what is read off a procedure are, in a word: what another core compiled is not taken. */
    public static function core(): string
    {
        static $word = null;
        if ($word === null) {
            $hash = hash_init('sha256');
            $files = Finder::create()->files()->in([base_path('core/src'), base_path('core/data'), __DIR__])->exclude('examples');
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
        return $this->kept($hash, $compile);
    }

    /** @param  Closure(): ProcedureInShort  $make */
    public function short(string $hash, Closure $make): ProcedureInShort
    {
        return $this->kept("{$hash}.short", $make);
    }

    /**
     * @template T of object
     *
     * @param  Closure(): T  $make
     * @return T
     */
    private function kept(string $name, Closure $make): object
    {
        $file = "{$this->folder}/{$name}.php";
        if (is_file($file)) {
            return require $file;
        }
        $made = $make();
        $this->keep($file, AsCode::of($made));

        return $made;
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
