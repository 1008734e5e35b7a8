<?php

namespace App\Actions;

use App\Models\Examination;
use App\Models\Pack;
use App\Models\PackState;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use Symfony\Component\Process\PhpExecutableFinder;
use Symfony\Component\Process\Process;

/**
 * Has what was asked for made, and the seals of long lines held, one after the other, each in a process of its own with its own
 * limit of memory: one that falls over takes nothing with it, and is tried again.
 */
final class ServePacks
{
    /** What one of them may take, so that it fits beside what serves. */
    public const MEMORY = '256M';

    private const LOOK_EVERY_S = 2;

    private const BEAT_EVERY_S = 10;

    private bool $isEnding = false;

    private ?Process $making = null;

    /** @param  string  $as  a word by which the processes are known to who started them */
    public function __invoke(string $as): void
    {
        $maker = "{$as}@".gethostname();
        $isBegun = false;
        while (! $this->isEnding) {
            try {
                $isBegun || Pack::takeUp($maker);
                $isBegun = true;
                $this->next($as, $maker) || sleep(self::LOOK_EVERY_S);
            } catch (QueryException) {
                // The database is away, or was: what was being made is claimed again when it is back.
                $this->making?->stop(1);
                DB::purge();
                sleep(self::LOOK_EVERY_S);
            }
        }
    }

    /** What is being made is left for the next one who serves. */
    public function end(): void
    {
        $this->isEnding = true;
        $this->making?->stop(1);
    }

    /** @return bool whether there was something to do */
    private function next(string $as, string $maker): bool
    {
        $pack = Pack::claim($maker);
        if ($pack !== null) {
            $this->have($pack, $as);

            return true;
        }
        $examination = Examination::claim();
        if ($examination !== null) {
            [$code] = $this->run(['seals:examine', $examination->line_id, "--as={$as}"], $examination->beat(...));
            $code === 0 || $examination->fellOver();
        }

        return $examination !== null;
    }

    private function have(Pack $pack, string $as): void
    {
        [$code, $said] = $this->run(['packs:make', $pack->id, "--as={$as}"], $pack->beat(...));
        $pack->refresh();
        if ($pack->state !== PackState::Making) {
            return;
        }
        if ($this->isEnding) {
            $pack->putBack();

            return;
        }
        $pack->fellOver("{$code}: {$said}");
        // Into the log of who serves: the page says only that it failed.
        fwrite(STDERR, date(DATE_ATOM)." {$pack->kind->value} {$pack->id}, attempt {$pack->attempts}, ended with {$code}: {$said}\n");
    }

    /**
     * @param  list<string>  $command  of artisan
     * @param  \Closure(): void  $beat  says that it goes on
     * @return array{int|null, string} how it ended, and what it said
     */
    private function run(array $command, \Closure $beat): array
    {
        $php = (string) (new PhpExecutableFinder)->find();
        $limits = ['-d', 'memory_limit='.self::MEMORY, '-d', 'pcov.enabled=0'];
        $this->making = new Process([$php, ...$limits, base_path('artisan'), ...$command], timeout: null);
        $this->making->start();
        for ($seconds = 1; $this->making->isRunning(); $seconds++) {
            sleep(1);
            if ($seconds % self::BEAT_EVERY_S === 0) {
                $beat();
            }
        }
        $said = trim($this->making->getErrorOutput().$this->making->getOutput());

        return [$this->making->getExitCode(), $said];
    }
}
