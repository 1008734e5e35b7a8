<?php

namespace App\Support;

use Illuminate\Support\Facades\Lang;

/** A text of the server in the language of who reads it: `lang/`, a folder for each. */
final class Say
{
    /**
     * @param  string  $key  file and name: "refused.tooLarge"
     * @param  array<string, string|int|float|null>  $values  by the name of their place in the text
     */
    public static function text(string $key, array $values = []): string
    {
        $text = Lang::get($key, $values);

        return \is_string($text) ? $text : throw new \LogicException("\"{$key}\" is no text");
    }
}
