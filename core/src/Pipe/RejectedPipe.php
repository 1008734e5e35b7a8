<?php

declare(strict_types=1);

namespace Diastoma\Core\Pipe;

use Diastoma\Core\Calculation\Field\Text;

/** A pipe of the line that must not be laid. */
final readonly class RejectedPipe
{
    public function __construct(
        #[Text('number', longest: 60)] public string $number,
        #[Text('reason', longest: 500)] public string $reason = '',
    ) {
    }
}
