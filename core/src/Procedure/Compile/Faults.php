<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Compile;

use Diastoma\Core\Refused;

/** All that is wrong with a procedure file, each fault with the path to its place; one a place. */
final class Faults
{
    /** More of them help nobody. */
    public const MOST = 200;

    /** @var array<string, array{what: string, harmless: bool}> by path */
    private array $found = [];

    /**
     * @param  list<string>  $origins  where each written step stands in the file, by its number
     * @param  array<string, string>  $unwritten  path in the file => what kept a step from being written out
     */
    public function __construct(private array $origins = [], private array $unwritten = [])
    {
    }

    public function at(string $path, string $what): void
    {
        $this->add($path, $what, false);
    }

    /** A fault by which nothing is judged wrongly: what is never said, used or reached. An older text may keep it. */
    public function harmlessAt(string $path, string $what): void
    {
        $this->add($path, $what, true);
    }

    private function add(string $path, string $what, bool $harmless): void
    {
        if (\count($this->found) < self::MOST) {
            $this->found[$path] ??= ['what' => $what, 'harmless' => $harmless];
        }
    }

    public function areMany(): bool
    {
        return \count($this->found) >= self::MOST;
    }

    /** The first fault at this path or below it by which something could be judged wrongly, in a sentence. */
    public function under(string $path, string ...$but): ?string
    {
        foreach ($this->found as $at => $fault) {
            $here = $path === '' || $at === $path || str_starts_with($at, "{$path}.") || str_starts_with($at, "{$path}[");
            $elsewhere = array_filter($but, fn (string $other) => str_starts_with($at, $other)) !== [];
            if ($here && ! $elsewhere && ! $fault['harmless']) {
                return self::sentence($at, $fault['what']);
            }
        }

        return null;
    }

    /** @throws Refused */
    public function refuse(): void
    {
        $refusals = [];
        foreach ($this->unwritten as $place => $what) {
            $refusals[] = Refused::field($place, self::sentence($place, $what));
        }
        foreach ($this->found as $path => $fault) {
            $place = $this->inFile($path);
            $refusals[] = Refused::field($place, self::sentence($place, $fault['what']));
        }
        if ($refusals !== []) {
            throw Refused::together($refusals);
        }
    }

    private static function sentence(string $path, string $what): string
    {
        return "{$path}: {$what}".(preg_match('/[.?]"?$/', $what) === 1 ? '' : '.');
    }

    /** The path as the file has it: steps of a block and of the library stand elsewhere when they are written out. */
    private function inFile(string $path): string
    {
        return (string) preg_replace_callback('/^steps\[(\d+)\]/', fn (array $m) => $this->origins[(int) $m[1]] ?? $m[0], $path);
    }
}
