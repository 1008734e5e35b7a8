<?php

namespace App\Support;

/** The server could not keep what came: it must be sent again. */
final class NoRoom extends \RuntimeException
{
}
