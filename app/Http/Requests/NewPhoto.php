<?php

namespace App\Http\Requests;

use Illuminate\Http\UploadedFile;

/** A picture of a step. */
final class NewPhoto extends DeviceRequest
{
    public function rules(): array
    {
        return [
            'id' => 'required|uuid',
            'step' => 'required|string|max:64',
            'taken_at' => 'required|string|max:40',
            'file' => 'required|file|max:16384',
        ];
    }

    public function picture(): UploadedFile
    {
        $file = $this->file('file');
        \assert($file instanceof UploadedFile);

        return $file;
    }
}
