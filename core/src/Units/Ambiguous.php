<?php

declare(strict_types=1);

namespace Diastoma\Core\Units;

/** A typed text that can be read in two ways. The message names both. */
final class Ambiguous extends \DomainException
{
}
