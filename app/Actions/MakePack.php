<?php

namespace App\Actions;

use App\Models\Pack;
use App\Models\PackKind;
use App\Pack\Archive;
use App\Pack\Binder;
use App\Pack\RecordBook;
use App\Pack\TestPack;
use Diastoma\Core\Seal\KeyRing;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Facades\Storage;

/**
 * Makes the file that somebody asked for, piece by piece: first in a folder of its own, then whole in its place. What stands in
 * it is how things stood at one moment where who calls holds the database at it.
 */
final class MakePack
{
    public function __construct(
        private readonly PlanSection $planning,
        private readonly ExportRegister $register,
        private readonly ExportSubject $export,
    ) {
    }

    /**
     * @param  \Closure(int, int): void  $progress  done, of how many
     * @return array{bytes: int, sha256: string}
     */
    public function __invoke(Pack $pack, \DateTimeImmutable $asOf, \Closure $progress): array
    {
        // What an attempt before left there goes; one that is still at it, forgotten, writes over nothing.
        array_map(File::deleteDirectory(...), glob(Storage::path("packs/{$pack->id}.*.part")) ?: []);
        $folder = Storage::path("packs/{$pack->id}.{$pack->attempts}.part");
        File::ensureDirectoryExists("{$folder}/pieces");
        try {
            $made = "{$folder}/made.{$pack->kind->ending()}";
            match ($pack->kind) {
                PackKind::TestPack => $this->testPack($pack, "{$folder}/pieces", $made, $progress),
                PackKind::RecordBook => $this->book($pack, $asOf, "{$folder}/pieces", $progress)->write($made),
                PackKind::Archive => $this->archive($pack, $asOf, $folder, $made, $progress),
            };
            $says = ['bytes' => (int) filesize($made), 'sha256' => (string) hash_file('sha256', $made)];
            rename($made, Storage::path($pack->path())) || throw new \RuntimeException("{$made} cannot be put in its place");

            return $says;
        } finally {
            File::deleteDirectory($folder);
        }
    }

    /** @param  \Closure(int, int): void  $progress */
    private function testPack(Pack $pack, string $folder, string $made, \Closure $progress): void
    {
        $test = $pack->test ?? throw new \LogicException('The pack of a test has a test.');
        $sheets = new TestPack($test, $pack->units, $this->planning, HoldSeals::allOf($pack->line));
        $binder = new Binder($folder);
        $count = $sheets->count();
        foreach ($sheets->pieces() as $i => $html) {
            $binder->add($html, ends: $i === $count - 1);
            $progress($i + 1, $count);
        }
        $binder->bind($made);
    }

    /** @param  \Closure(int, int): void  $progress */
    private function book(Pack $pack, \DateTimeImmutable $asOf, string $folder, \Closure $progress): RecordBook
    {
        return new RecordBook($pack->line, $pack->units, $asOf, $folder, $progress, $this->planning);
    }

    /** @param  \Closure(int, int): void  $progress */
    private function archive(Pack $pack, \DateTimeImmutable $asOf, string $folder, string $made, \Closure $progress): void
    {
        // The book is the longer half of the work, and its pieces are counted; the records are a tenth as many more.
        $book = $this->book($pack, $asOf, "{$folder}/pieces", fn (int $done, int $of) => $progress($done, $of + self::tenth($of)));
        $pieces = $book->count();
        $book->write("{$folder}/book.pdf");
        File::cleanDirectory("{$folder}/pieces");
        $more = self::tenth($pieces);
        $further = fn (int $done, int $of) => $progress($pieces + intdiv($more * $done, max(1, $of)), $pieces + $more);
        $key = app(KeyRing::class)->current;
        $archive = new Archive($pack->line, $asOf, "{$folder}/pieces", $further, $this->register, $this->export, $key);
        $archive->write($made, "{$folder}/book.pdf");
    }

    private static function tenth(int $pieces): int
    {
        return max(1, intdiv($pieces, 10));
    }
}
