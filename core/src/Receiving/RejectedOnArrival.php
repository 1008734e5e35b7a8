<?php

declare(strict_types=1);

namespace Diastoma\Core\Receiving;

use Diastoma\Core\Calculation\Field\Text;

/** Something that was rejected before it was unloaded. */
final readonly class RejectedOnArrival
{
    public function __construct(
        #[Text('what', longest: 500, about: 'number of the pipe, or what it is')] public string $what,
        #[Text('why', longest: 500)] public string $why,
        #[Text('more', longest: 500)] public ?string $more = null,
    ) {
    }
}
