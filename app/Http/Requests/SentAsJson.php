<?php

namespace App\Http\Requests;

use Diastoma\Core\Refused;

/** A body of which something is taken as it came, untrimmed and with its types: only JSON carries that. */
trait SentAsJson
{
    /** @throws Refused for a form */
    protected function prepareForValidation(): void
    {
        if (! $this->isJson()) {
            throw Refused::field('json', 'Send the body as JSON, with the heading Content-Type: application/json.');
        }
    }
}
