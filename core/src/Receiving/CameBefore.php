<?php

declare(strict_types=1);

namespace Diastoma\Core\Receiving;

use Diastoma\Core\Calculation\Field\Text;

/** A pipe that is on site already. */
final readonly class CameBefore
{
    public function __construct(
        #[Text('number', longest: 60)] public string $number,
        #[Text('with', longest: 200, about: 'the delivery with which it came')] public string $with,
    ) {
    }
}
