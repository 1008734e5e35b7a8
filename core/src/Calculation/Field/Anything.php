<?php

declare(strict_types=1);

namespace Diastoma\Core\Calculation\Field;

use Diastoma\Core\Calculation\Family;

/** A value whose shape the calculation checks itself (for example the name of a layout or the layout as an object). */
#[\Attribute(\Attribute::TARGET_PARAMETER)]
final readonly class Anything extends Field
{
    /**
     * @param  'layout'|'signs'|'numbers'|'order'|'parts'|'flags'|''  $edit  how a page asks for it
     * @param  list<string>  $names  that it may hold
     */
    public function __construct(string $key, string $about = '', public string $edit = '', public array $names = [])
    {
        parent::__construct($key, $about);
    }

    public function read(mixed $value, string $key, string $name, Family $family): mixed
    {
        return $value;
    }

    public function schema(): array
    {
        return array_filter(['description' => $this->about, 'x-edit' => $this->edit, 'x-names' => $this->names]);
    }
}
