<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

use Diastoma\Core\Procedure\Expression\Expression;

/** What must come before a step. */
final readonly class Order
{
    /**
     * @param  list<string>  $after  keys of steps that must be recorded before
     * @param  list<string>  $needsGood  keys of steps that must be good before
     * @param  Expression|null  $notBefore  a time, ISO 8601
     * @param  Early|null  $early  what is said of a step that was done before that time
     * @param  bool  $protects  it keeps people from harm
     */
    public function __construct(
        public array $after,
        public array $needsGood,
        public ?Expression $notBefore,
        public ?Early $early,
        public bool $protects,
    ) {
    }
}
