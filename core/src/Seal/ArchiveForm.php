<?php

declare(strict_types=1);

namespace Diastoma\Core\Seal;

/** The form of an archive: a ZIP with these files in it. docs/formats.md says what stands in each. */
final class ArchiveForm
{
    public const NAME = 'diastoma-archive-1';

    /** One object: what it is, of which line, as of when. */
    public const ABOUT = 'archive.json';

    /** One object a line: the seals in their order. */
    public const SEALS = 'seals.jsonl';

    /** One object a line: a joint, a test or a stretch with all its facts. */
    public const RECORDS = 'records.jsonl';

    /** SHA-256 and name of every other file. */
    public const SUMS = 'SHA256SUMS';

    /** One object: public_key and signature of the server over the text of SUMS, in base64. */
    public const SIGNED = 'SHA256SUMS.signature.json';

    /** Types of what is sealed and is no record of its own: a line that was changed, a chain that was sealed anew. */
    public const WITHOUT_RECORD = ['line', 'line-change'];

    /** State of a record that somebody has signed for; it has a seal. */
    public const ACCEPTED = 'accepted';

    public static function procedure(string $hash): string
    {
        return "procedures/{$hash}.json";
    }

    public static function photo(string $id): string
    {
        return "photos/{$id}.jpg";
    }
}
