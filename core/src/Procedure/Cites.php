<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

/** Where a rule's limit stands: in the procedure, or in what was read off a label, a sheet, a tool. */
interface Cites
{
    /** @return Parameter|null as it is cited; null while it is not known */
    public function cite(Known $known): ?Parameter;
}
