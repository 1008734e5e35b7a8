<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Form;

/** What a form is called, what it takes and gives. `docs/formats.md` is written from here. */
#[\Attribute(\Attribute::TARGET_CLASS)]
final readonly class About
{
    /**
     * @param  string  $name  with its dollar
     * @param  string  $example  JSON, as it stands in a file
     * @param  list<string>  $also  keys that may stand beside it
     */
    public function __construct(public string $name, public string $example, public string $gives, public array $also = [])
    {
    }
}
