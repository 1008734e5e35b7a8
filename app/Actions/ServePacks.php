<?php

namespace App\Actions;

use App\Models\Pack;
use App\Models\PackState;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use Symfony\Component\Process\PhpExecutableFinder;
use Symfony\Component\Process\Process;

/**
 * Has what was asked for made, one after the other, each in a process of its own with its own limit of memory: one that falls
 * over takes nothing with it, and is tried again.
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
        while (! $this->isEnding) {
            try {
                $pack = Pack::claim();
                $pack === null ? sleep(self::LOOK_EVERY_S) : $this->have($pack, $as);
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

    private function have(Pack $pack, string $as): void
    {
        $php = (string) (new PhpExecutableFinder)->find();
        $limits = ['-d', 'memory_limit='.self::MEMORY, '-d', 'pcov.enabled=0'];
        $this->making = new Process([$php, ...$limits, base_path('artisan'), 'packs:make', $pack->id, "--as={$as}"], timeout: null);
        $this->making->start();
        for ($seconds = 1; $this->making->isRunning(); $seconds++) {
            sleep(1);
            if ($seconds % self::BEAT_EVERY_S === 0) {
                $pack->beat();
            }
        }
        $code = $this->making->getExitCode();
        $said = trim($this->making->getErrorOutput().$this->making->getOutput());
        $this->making = null;
        $pack->refresh();
        if ($pack->state === PackState::Making) {
            $this->isEnding ? $pack->putBack() : $pack->fellOver("{$code}: {$said}");
        }
    }
}
