<?php

namespace App\Http\Requests;

use App\Support\Say;
use Diastoma\Core\Refused;

/** A body of which something is taken as it came, untrimmed and with its types: only JSON carries that. */
trait SentAsJson
{
    /** @throws Refused for a form */
    protected function prepareForValidation(): void
    {
        if (! $this->isJson()) {
            throw Refused::field('json', Say::text('refused.sendAsJson'));
        }
    }
}
