<?php

namespace App\Models;

/** What is made in the background and handed over as a file. */
enum PackKind: string
{
    case TestPack = 'test-pack';
    case RecordBook = 'record-book';
    case Archive = 'archive';

    public function ending(): string
    {
        return $this === self::Archive ? 'zip' : 'pdf';
    }

    public function mediaType(): string
    {
        return $this === self::Archive ? 'application/zip' : 'application/pdf';
    }
}
