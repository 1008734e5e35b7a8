<?php

declare(strict_types=1);

namespace Diastoma\Core;

use Diastoma\Core\Calculation\Registry;
use Diastoma\Core\Procedure\Form\Forms;
use Diastoma\Core\Procedure\ProcedureFile;

/** `bin/diastoma`: the core without the application. JSON in, JSON out; exit 0, or 2 for refused input, 64 for wrong usage. */
final class Console
{
    private const HELP = <<<'TEXT'
        Usage:
          bin/diastoma calc --list             names of all calculations, what each decides
          bin/diastoma calc --list --schemas   the same as JSON, each with its schema
          bin/diastoma calc NAME --schema      inputs of one calculation
          bin/diastoma calc NAME [JSON]        run it on JSON given here or on standard input
          bin/diastoma judge [JSON]            {"procedure": id or object, "line": {…}, "facts": […], "now": "…"}
          bin/diastoma judge FILE FACTS        a procedure file and a file of facts; what is said of each step, to be read
          bin/diastoma verify FILE [KEY…]      a record or an archive, held against its seals: exits 1 where it does not hold;
                                               a key is typed, or a file that holds it
          bin/diastoma check FILE              all that is wrong with a procedure file, by line
          bin/diastoma example ID [NAME]       facts as a crew records them by a procedure that ships, good or as named: input for judge
          bin/diastoma forms                   what a value of a procedure may be put together by
        A refused input prints {"error":{"field":…,"message":…}} and exits 2.

        TEXT;

    /**
     * @param  list<string>  $arguments
     * @param  resource  $in
     * @param  resource  $out
     * @param  resource  $err
     */
    public function __construct(private readonly array $arguments, private $in, private $out, private $err)
    {
    }

    public function run(): int
    {
        $words = \array_slice($this->arguments, 1);
        try {
            return match ($words[0] ?? '') {
                'calc' => $this->calc(\array_slice($words, 1)),
                'check' => $this->check($words[1] ?? ''),
                'example' => $this->print(
                    (Procedure\Example::shipped()[$words[1] ?? ''] ?? throw self::noExample($words[1] ?? ''))->toJudge($words[2] ?? null),
                ),
                'forms' => $this->forms(),
                'judge' => isset($words[2])
                    ? $this->tell($words[1], $words[2])
                    : $this->print(Procedure\JudgeFromJson::read($this->json($words[1] ?? null))->toArray()),
                'verify' => $this->verify($words[1] ?? '', \array_slice($words, 2)),
                '--help', '-h', 'help' => $this->help($this->out, 0),
                default => $this->help($this->err, 64),
            };
        } catch (Refused $refused) {
            $this->print(['error' => $refused->faults[0]]);

            return 2;
        }
    }

    /**
     * What was given out, held against its seals: 0 where it holds, 1 where it does not.
     *
     * @param  list<string>  $keys  public keys of the server; none: those of the file itself
     */
    private function verify(string $file, array $keys): int
    {
        if ($file === '' || ! is_file($file) || ! is_readable($file)) {
            fwrite($this->err, $file === '' ? self::HELP : "{$file} cannot be read.\n");

            return 64;
        }
        $keys = self::keys($keys);
        if (\is_string($keys)) {
            fwrite($this->err, $keys."\n");

            return 64;
        }
        $isArchive = file_get_contents($file, length: 4) === "PK\x03\x04";
        $said = $isArchive
            ? Seal\VerifyArchive::of($file, $keys === [] ? null : $keys)
            : Seal\VerifyRecord::of($this->json((string) file_get_contents($file)), $keys === [] ? null : $keys);
        $this->print($said);

        return $said['holds'] ? 0 : 1;
    }

    /**
     * Public keys as they are typed, or in a file such as that of an archive. What is no key is said: a seal held against it would be
     * called broken, and is not.
     *
     * @param  list<string>  $given
     * @return list<string>|string the keys, or why they are none
     */
    private static function keys(array $given): array|string
    {
        $keys = [];
        foreach ($given as $word) {
            $text = is_file($word) ? (string) file_get_contents($word, length: 10000) : $word;
            foreach (preg_split('/\s+/', trim($text)) ?: [] as $key) {
                if (\strlen((string) base64_decode($key, true)) !== SODIUM_CRYPTO_SIGN_PUBLICKEYBYTES) {
                    return "\"{$key}\" is no public key: give it as it was given out, 44 letters and digits, or a file that holds it.";
                }
                $keys[] = $key;
            }
        }

        return $keys;
    }

    private static function noExample(string $id): Refused
    {
        return Refused::field(
            'procedure',
            "There is no example for \"{$id}\"; there are some for ".implode(', ', array_keys(Procedure\Example::shipped())).'.',
        );
    }

    /** @param  list<string>  $words */
    private function calc(array $words): int
    {
        $registry = Registry::standard();
        $name = $words[0] ?? '';
        if ($name === '--list') {
            return \in_array('--schemas', $words, true)
                ? $this->print(array_combine($registry->names(), array_map($registry->schema(...), $registry->names())))
                : $this->names($registry);
        }
        if ($name === '' || str_starts_with($name, '-')) {
            return $this->help($this->err, 64);
        }
        if (\in_array('--schema', $words, true)) {
            return $this->print($registry->schema($name));
        }
        $registry->about($name);

        return $this->print($registry->run($name, $this->json($words[1] ?? null)));
    }

    private function names(Registry $registry): int
    {
        foreach ($registry->names() as $name) {
            fwrite($this->out, sprintf("%-24s %s\n", $name, $registry->about($name)->title));
        }

        return 0;
    }

    private function check(string $file): int
    {
        $text = $this->text($file);
        if ($text === null) {
            return 64;
        }
        try {
            $procedure = ProcedureFile::read($text);
        } catch (Refused $refused) {
            fwrite($this->out, implode("\n", array_column($refused->faults, 'message'))."\n");

            return 2;
        }
        $steps = \count($procedure->steps);
        fwrite($this->out, "{$procedure->id} {$procedure->version}: ".($steps === 1 ? '1 step' : "{$steps} steps").", nothing wrong.\n");

        return 0;
    }

    /** What is said of each step, to be read by who writes a procedure. */
    private function tell(string $file, string $facts): int
    {
        [$text, $recorded] = [$this->text($file), $this->text($facts)];
        if ($text === null || $recorded === null) {
            return 64;
        }
        $procedure = ProcedureFile::read($text);
        $given = Procedure\JudgeFromJson::read(['procedure' => $procedure->text] + $this->json($recorded));
        $judgement = $given->judged();
        $told = fn (Procedure\Spoken $spoken): string => $spoken->in($given->units, $given->zone);
        $lines = [sprintf('%-6s %s', $judgement->verdict->value, $procedure->title)];
        foreach ($judgement->steps as $step) {
            $said = array_map(fn (Procedure\Reason $r) => [$told($r->text), $told($r->do)], $step->reasons);
            foreach ($said === [] ? [['', '']] : $said as [$text, $do]) {
                $lines[] = rtrim(sprintf('%-6s %s%s %s', $step->verdict->value, $step->title, $text === '' ? '' : ": {$text}", $do));
            }
            if ($step->lock !== null) {
                $lines[] = "       locked: {$step->lock->text}";
            }
        }
        $next = $judgement->next === null ? null : $judgement->steps[$judgement->next]->title;
        fwrite($this->out, implode("\n", [...$lines, $next === null ? 'nothing is left to do' : "next: {$next}"])."\n");

        return 0;
    }

    private function text(string $file): ?string
    {
        if ($file === '' || ! is_readable($file) || is_dir($file)) {
            fwrite($this->err, $file === '' ? self::HELP : "{$file} cannot be read.\n");

            return null;
        }

        return (string) file_get_contents($file, length: ProcedureFile::MOST_BYTES + 1);
    }

    private function forms(): int
    {
        foreach (Forms::all() as $class) {
            $about = Forms::about($class);
            fwrite($this->out, "{$about->example}\n    {$about->gives}\n");
        }

        return 0;
    }

    /** @return array<string, mixed> */
    private function json(?string $given): array
    {
        $text = $given ?? (string) stream_get_contents($this->in);
        $decoded = json_decode($text, true, 64);
        if (! \is_array($decoded) || ($decoded !== [] && array_is_list($decoded))) {
            throw Refused::field(
                'json',
                'json: the input is no JSON object'.
                    (json_last_error() !== JSON_ERROR_NONE ? ' ('.json_last_error_msg().')' : '').
                    '.',
            );
        }

        return $decoded;
    }

    /** @param  array<string, mixed>  $answer */
    private function print(array $answer): int
    {
        fwrite(
            $this->out,
            json_encode($answer, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION | JSON_THROW_ON_ERROR).
                "\n",
        );

        return 0;
    }

    /** @param  resource  $to */
    private function help($to, int $code): int
    {
        fwrite($to, self::HELP);

        return $code;
    }
}
