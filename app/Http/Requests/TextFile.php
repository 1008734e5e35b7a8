<?php

namespace App\Http\Requests;

use Diastoma\Core\Refused;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Http\UploadedFile;

/** A file of text, as an instrument or a surveyor writes it. */
final class TextFile extends FormRequest
{
    /** What a picture, a document or an archive begins with. */
    private const OTHER = '/^(%PDF|PK\x03\x04|\x89PNG|\xFF\xD8)/';

    /** @return array<string, string> */
    public function rules(): array
    {
        return ['file' => 'required|file|max:16384'];
    }

    /** @throws Refused where it is no text */
    public function text(): string
    {
        $file = $this->file('file');
        \assert($file instanceof UploadedFile);
        $text = (string) $file->get();
        if ($text === '' || str_contains(substr($text, 0, 4096), "\0") || preg_match(self::OTHER, $text) === 1) {
            throw Refused::field('file', 'The file is no text: a CSV or JSON file is wanted.');
        }

        return $text;
    }
}
