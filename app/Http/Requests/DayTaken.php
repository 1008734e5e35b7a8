<?php

namespace App\Http\Requests;

/** Days that are taken for the plan. */
final class DayTaken extends DayAskedFor
{
    protected const MAY = 'planDays';
}
