<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Compile;

/**
 * On which line of a JSON text each of its places stands, by path: `steps[1].judge[0].calc`. Where the text is no JSON, the
 * line on which it stops being so.
 */
final class Lines
{
    private const DEEPEST = 40;

    /** @var array<string, int> */
    private array $at = ['' => 1];

    private int $place = 0;

    private int $line = 1;

    public readonly ?int $broken;

    private function __construct(private readonly string $json)
    {
        try {
            $this->value('', 0);
            $this->space();
            $this->broken = $this->place < \strlen($this->json) ? $this->line : null;
        } catch (\UnexpectedValueException) {
            $this->broken = $this->line;
        }
    }

    public static function of(string $json): self
    {
        return new self($json);
    }

    /** The line of a place, or of the innermost thing round it that there is. */
    public function at(string $path): int
    {
        while (! isset($this->at[$path])) {
            $path = (string) preg_replace('/(\.[^.\[]*|\[\d+\]|^[^.\[]+)$/', '', $path, 1, $cut);
            if ($cut === 0) {
                return 1;
            }
        }

        return $this->at[$path];
    }

    private function value(string $path, int $depth): void
    {
        $this->space();
        $this->at[$path] = $this->line;
        if ($depth > self::DEEPEST) {
            throw new \UnexpectedValueException;
        }
        match ($this->json[$this->place] ?? '') {
            '{' => $this->object($path, $depth),
            '[' => $this->entries($path, $depth),
            '"' => $this->text(),
            default => $this->word(),
        };
    }

    private function object(string $path, int $depth): void
    {
        $this->eat('{');
        $this->space();
        while (! $this->tryEat('}')) {
            $this->space();
            $at = $this->line;
            $key = $this->text();
            $below = ltrim("{$path}.{$key}", '.');
            $this->space();
            $this->eat(':');
            $this->value($below, $depth + 1);
            $this->at[$below] = $at;
            $this->space();
            $this->tryEat(',') || $this->mustCome('}');
        }
    }

    private function entries(string $path, int $depth): void
    {
        $this->eat('[');
        $this->space();
        for ($i = 0; ! $this->tryEat(']'); $i++) {
            $this->value("{$path}[{$i}]", $depth + 1);
            $this->space();
            $this->tryEat(',') || $this->mustCome(']');
        }
    }

    private function text(): string
    {
        if (preg_match('/\G"((?:[^"\\\\\x00-\x1f]|\\\\.)*+)"/', $this->json, $found, 0, $this->place) !== 1) {
            throw new \UnexpectedValueException;
        }
        $this->place += \strlen($found[0]);

        $text = json_decode($found[0]);

        return \is_string($text) ? $text : '';
    }

    private function word(): void
    {
        if (preg_match('/\G(?:true|false|null|-?\d+(?:\.\d+)?(?:[eE][+-]?\d+)?)/', $this->json, $found, 0, $this->place) !== 1) {
            throw new \UnexpectedValueException;
        }
        $this->place += \strlen($found[0]);
    }

    private function space(): void
    {
        $length = strspn($this->json, " \t\r\n", $this->place);
        $this->line += substr_count($this->json, "\n", $this->place, $length);
        $this->place += $length;
    }

    private function tryEat(string $char): bool
    {
        $is = ($this->json[$this->place] ?? '') === $char;
        $this->place += $is ? 1 : 0;

        return $is;
    }

    private function eat(string $char): void
    {
        $this->tryEat($char) || throw new \UnexpectedValueException;
    }

    private function mustCome(string $char): void
    {
        ($this->json[$this->place] ?? '') === $char || throw new \UnexpectedValueException;
    }
}
