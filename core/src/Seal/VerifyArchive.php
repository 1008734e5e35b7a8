<?php

declare(strict_types=1);

namespace Diastoma\Core\Seal;

use Diastoma\Core\Refused;
use ZipArchive;

/**
 * Holds an archive of a line against the seals in it, with the public key alone: no server, no database. Each file by its sum,
 * the seals as a chain, each sealed record by its facts and the text of its procedure, each sealed picture by its bytes. What
 * was left out shows as what was altered does; a chain that was shortened at its end shows against a head that was kept
 * elsewhere.
 */
final class VerifyArchive
{
    /** Of what speaks against it, so much is said; the rest is counted. */
    private const MOST_FOUND = 200;

    /** Longest line of a file of records, bytes: a log of a week is some megabytes. */
    private const LONGEST_LINE = 64 * 1024 * 1024;

    /** @var list<string> */
    private array $found = [];

    private int $faults = 0;

    /** @var array<string, array{hash: string, position: int}> seal over a record, by its type and id */
    private array $sealed = [];

    /** @var array<string, string> id of a sealed photo => SHA-256 */
    private array $photos = [];

    /** @var array<string, array<string, mixed>> texts of procedures, by hash */
    private array $texts = [];

    private string $head = '';

    private int $seals = 0;

    private int $unsealed = 0;

    /** @param  list<string>|null  $keys  public keys in base64 of the server, one for each that it had; null: those of the file */
    private function __construct(private readonly ZipArchive $zip, private readonly ?array $keys)
    {
    }

    /**
     * @param  list<string>|null  $keys  in base64, from somewhere else than the file; null: the file's own, which proves less
     * @return array{holds: bool, found: list<string>, faults: int, key: 'given'|'of the file', head: string, seals: int, unsealed: int}
     *
     * @throws Refused naming archive where it is none
     */
    public static function of(string $file, ?array $keys = null): array
    {
        $zip = new ZipArchive;
        if ($zip->open($file, ZipArchive::RDONLY) !== true) {
            throw Refused::field('archive', 'The archive cannot be opened: it is no ZIP, or it is not whole.');
        }
        try {
            return (new self($zip, $keys))->verified();
        } finally {
            $zip->close();
        }
    }

    /** @return array{holds: bool, found: list<string>, faults: int, key: 'given'|'of the file', head: string, seals: int, unsealed: int} */
    private function verified(): array
    {
        $about = json_decode($this->text(ArchiveForm::ABOUT), true);
        if (! \is_array($about) || ($about['format'] ?? null) !== ArchiveForm::NAME) {
            throw Refused::field('archive', 'The archive is of a form that is not known here; known: '.ArchiveForm::NAME.'.');
        }
        $this->sums();
        $this->chain();
        $head = \is_array($about['head'] ?? null) ? $about['head'] : [];
        if (($head['hash'] ?? '') !== $this->head || ($head['seals'] ?? 0) !== $this->seals) {
            $this->fault('The last seal is not the one that the archive names.');
        }
        $this->records();
        $this->pictures();

        return [
            'holds' => $this->faults === 0,
            'found' => $this->found,
            'faults' => $this->faults,
            'key' => $this->keys === null ? 'of the file' : 'given',
            'head' => $this->head,
            'seals' => $this->seals,
            'unsealed' => $this->unsealed,
        ];
    }

    /** Each file is the one that was put in, and there is no other. */
    private function sums(): void
    {
        $listed = [ArchiveForm::SUMS => true, ArchiveForm::SIGNED => true];
        $sums = $this->text(ArchiveForm::SUMS);
        $signed = (array) json_decode($this->text(ArchiveForm::SIGNED), true);
        $key = self::word($signed, 'public_key');
        if (! $this->isOurs($key) || ! SealKey::isSigned($sums, self::word($signed, 'signature'), $key)) {
            $this->fault('The archive as a whole is not signed by the server whose key this is.');
        }
        foreach (explode("\n", trim($sums)) as $row) {
            if (preg_match('/^([0-9a-f]{64})  (.+)$/', $row, $is) !== 1) {
                $this->fault('A line of '.ArchiveForm::SUMS.' cannot be read.');

                continue;
            }
            [, $sum, $name] = $is;
            $listed[$name] = true;
            $now = $this->sumOf($name);
            if ($now !== $sum) {
                $this->fault($now === null ? "{$name} is gone." : "{$name} is not the file that was put in.");
            }
        }
        for ($i = 0; $i < $this->zip->numFiles; $i++) {
            $name = (string) $this->zip->getNameIndex($i);
            if (! isset($listed[$name])) {
                $this->fault("{$name} was added.");
            }
        }
    }

    private function chain(): void
    {
        $previous = Statement::NOTHING;
        foreach ($this->lines(ArchiveForm::SEALS) as $seal) {
            $position = ++$this->seals;
            $text = self::word($seal, 'statement');
            $statement = Statement::read($text);
            $this->head = self::word($seal, 'hash');
            if ($statement === null) {
                $this->fault("Seal {$position} is not signed: it is of an older form, or was taken out of it.");
            } else {
                $this->holdSeal($position, $statement, $text, $seal, $previous);
            }
            $previous = $this->head;
        }
    }

    /** @param  array<string, mixed>  $seal */
    private function holdSeal(int $position, Statement $statement, string $text, array $seal, string $previous): void
    {
        $key = self::word($seal, 'public_key');
        if (! $this->isOurs($key) || ! SealKey::isSigned($text, self::word($seal, 'signature'), $key)) {
            $this->fault("Seal {$position} is not signed by the server whose key this is.");
        }
        if ($text !== $statement->text() || Statement::hash($text) !== $this->head) {
            $this->fault("Seal {$position} was altered.");
        }
        if (($statement->says['previous'] ?? null) !== $previous || ($statement->says['position'] ?? null) !== $position) {
            $this->fault("Seal {$position} does not follow the one before it.");
        }
        $subject = \is_array($statement->says['subject'] ?? null) ? $statement->says['subject'] : [];
        $name = self::word($subject, 'type').' '.self::word($subject, 'id');
        if (! \in_array(self::word($subject, 'type'), ArchiveForm::WITHOUT_RECORD, true)) {
            $this->sealed[$name] = ['hash' => $this->head, 'position' => $position];
        }
        foreach (\is_array($statement->says['photos'] ?? null) ? $statement->says['photos'] : [] as $photo) {
            $this->photos[self::word((array) $photo, 'id')] = self::word((array) $photo, 'sha256');
        }
    }

    private function isOurs(string $key): bool
    {
        return $this->keys === null || \in_array($key, $this->keys, true);
    }

    private function records(): void
    {
        $seen = [];
        foreach ($this->lines(ArchiveForm::RECORDS) as $record) {
            $id = self::word($record, 'type').' '.self::word($record, 'id');
            $name = self::word($record, 'name');
            if (isset($seen[$id])) {
                $this->fault("{$name} stands there twice.");
            }
            $seen[$id] = true;
            $seal = $this->sealed[$id] ?? null;
            if ($seal === null) {
                $this->unsealed++;
                if (($record['seal'] ?? null) !== null) {
                    $this->fault("{$name} brings a seal that is not in the chain.");
                } elseif (($record['state'] ?? null) === ArchiveForm::ACCEPTED) {
                    $this->fault("{$name} is accepted, and its seal is gone.");
                }

                continue;
            }
            $this->hold($name, $seal, $record);
        }
        foreach (array_diff_key($this->sealed, $seen) as $seal) {
            $this->fault("What is under seal {$seal['position']} is gone.");
        }
    }

    /**
     * @param  array{hash: string, position: int}  $seal
     * @param  array<string, mixed>  $record
     */
    private function hold(string $name, array $seal, array $record): void
    {
        $own = \is_array($record['seal'] ?? null) ? $record['seal'] : [];
        if (self::word($own, 'hash') !== $seal['hash']) {
            $this->fault("{$name} is not under seal {$seal['position']}, where the chain has it.");

            return;
        }
        try {
            $says = VerifyRecord::of(['procedure' => $this->procedure(self::word($record, 'frozen'))] + $record);
        } catch (Refused $refused) {
            $this->fault("{$name}: ".$refused->faults[0]['message']);

            return;
        }
        foreach ($says['found'] as $one) {
            $this->fault("{$name}: {$one}");
        }
    }

    private function pictures(): void
    {
        foreach ($this->photos as $id => $sum) {
            $now = $this->sumOf(ArchiveForm::photo($id));
            if ($now !== $sum) {
                $this->fault($now === null ? "The sealed photo {$id} is gone." : "The photo {$id} is another picture than was sealed.");
            }
        }
    }

    /** @return array<string, mixed> */
    private function procedure(string $hash): array
    {
        if (! isset($this->texts[$hash])) {
            $text = preg_match('/^[0-9a-f]{64}$/', $hash) === 1 ? json_decode($this->text(ArchiveForm::procedure($hash)), true) : null;
            if (! \is_array($text)) {
                throw Refused::field('procedure', 'The text of its procedure is not in the archive.');
            }
            $this->texts[$hash] = $text;
        }

        return $this->texts[$hash];
    }

    private function fault(string $says): void
    {
        $this->faults++;
        if (\count($this->found) < self::MOST_FOUND) {
            $this->found[] = $says;
        }
    }

    private function text(string $name): string
    {
        return (string) $this->zip->getFromName($name);
    }

    /** @return string|null null: it is not there */
    private function sumOf(string $name): ?string
    {
        $in = $this->zip->getStream($name);
        if ($in === false) {
            return null;
        }
        $sum = hash_init('sha256');
        hash_update_stream($sum, $in);
        fclose($in);

        return hash_final($sum);
    }

    /** @return \Generator<int, array<string, mixed>> */
    private function lines(string $name): \Generator
    {
        $in = $this->zip->getStream($name);
        if ($in === false) {
            $this->fault("{$name} is gone.");

            return;
        }
        for ($i = 1; ($row = fgets($in, self::LONGEST_LINE)) !== false; $i++) {
            $read = json_decode($row, true);
            if (! \is_array($read)) {
                $this->fault("Line {$i} of {$name} cannot be read.");

                continue;
            }
            /** @var array<string, mixed> $read */
            yield $read;
        }
        fclose($in);
    }

    /** @param  array<mixed>  $of */
    private static function word(array $of, string $key): string
    {
        return \is_string($of[$key] ?? null) ? $of[$key] : '';
    }
}
