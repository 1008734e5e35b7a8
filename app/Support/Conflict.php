<?php

namespace App\Support;

/** What was asked contradicts what is recorded already. */
final class Conflict extends \RuntimeException
{
    public function __construct(public readonly string $field, string $message)
    {
        parent::__construct($message);
    }
}
