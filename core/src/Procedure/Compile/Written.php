<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Compile;

/** A procedure whose library steps and blocks are written out. */
final readonly class Written
{
    /**
     * @param  array<string, mixed>  $text
     * @param  list<string>  $origins  where each of its steps stands in the file
     * @param  array<string, string>  $faults  path in the file => what is wrong there
     */
    public function __construct(public array $text, public array $origins, public array $faults)
    {
    }
}
