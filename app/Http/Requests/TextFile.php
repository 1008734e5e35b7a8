<?php

namespace App\Http\Requests;

use App\Models\Subject;
use App\Support\Say;
use Diastoma\Core\Refused;
use Illuminate\Database\Eloquent\Relations\Relation;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Http\UploadedFile;

/** A file of text, as an instrument or a surveyor writes it. */
final class TextFile extends FormRequest
{
    /** What a picture, a document or an archive begins with. */
    private const OTHER = '/^(%PDF|PK\x03\x04|\x89PNG|\xFF\xD8)/';

    /** @return array<string, string|list<string>> */
    public function rules(): array
    {
        return [
            'file' => 'required|file|max:20000',
            'more' => 'array|max:7',
            'more.*' => 'file|max:20000',
            'subject' => ['nullable', 'string', 'regex:/^(joint|test|stretch)\/[0-9a-f-]{36}$/'],
            'step' => 'nullable|string|max:64',
        ];
    }

    /** Of which work it is to be evidence, where that is said. */
    public function subject(): ?Subject
    {
        [$kind, $id] = explode('/', (string) $this->string('subject'), 2) + ['', ''];
        $class = Relation::getMorphedModel($kind);

        $subject = $class === null ? null : $class::query()->findOrFail($id);

        return $subject instanceof Subject ? $subject : null;
    }

    /** @throws Refused where it is no text */
    public function text(): string
    {
        $file = $this->file('file');
        \assert($file instanceof UploadedFile);

        return self::read($file);
    }

    /**
     * Several files that were chosen together.
     *
     * @return non-empty-array<string, string> by their names
     *
     * @throws Refused where one is no text
     */
    public function texts(): array
    {
        $file = $this->file('file');
        \assert($file instanceof UploadedFile);
        $texts = [$file->getClientOriginalName() => self::read($file)];
        foreach ((array) $this->file('more', []) as $i => $more) {
            \assert($more instanceof UploadedFile);
            $name = $more->getClientOriginalName();
            $texts[isset($texts[$name]) ? "{$name} (".($i + 2).')' : $name] = self::read($more);
        }

        return $texts;
    }

    private static function read(UploadedFile $file): string
    {
        $text = (string) $file->get();
        if ($text === '' || str_contains(substr($text, 0, 4096), "\0") || preg_match(self::OTHER, $text) === 1) {
            throw Refused::field('file', Say::text('refused.noText'));
        }

        return $text;
    }
}
