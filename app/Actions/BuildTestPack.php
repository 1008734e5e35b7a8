<?php

namespace App\Actions;

use App\Models\PressureTest;
use App\Pack\Paper;
use App\Pack\Sheet;
use Diastoma\Core\Units\UnitSystem;

/** The test pack as PDF, as a client wants it: what was tested, how it went, with what, by whom, and what it stands on. */
final class BuildTestPack
{
    public function __construct(private readonly PlanSection $plan, private readonly Paper $paper)
    {
    }

    public function __invoke(PressureTest $test, UnitSystem $units): string
    {
        return $this->paper->print(view('pack.test', (new Sheet($test, $units, $this->plan))->all())->render());
    }
}
