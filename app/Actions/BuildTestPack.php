<?php

namespace App\Actions;

use App\Models\PressureTest;
use App\Pack\Paper;
use App\Pack\TestPack;
use App\Support\Conflict;
use App\Support\Say;
use Diastoma\Core\Units\UnitSystem;

/** The test pack as PDF, as a client wants it: what was tested, how it went, with what, by whom, and what it stands on. */
final class BuildTestPack
{
    public function __construct(private readonly PlanSection $plan, private readonly Paper $paper)
    {
    }

    /** @throws Conflict where its section is so long that nobody would wait for it: {@see AskForPack} */
    public function __invoke(PressureTest $test, UnitSystem $units): string
    {
        if (TestPack::isLong($test->section)) {
            throw new Conflict('test', Say::text('refused.packIsLong'));
        }

        return $this->paper->print((new TestPack($test, $units, $this->plan))->pieces()->current());
    }
}
