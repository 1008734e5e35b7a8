<?php

declare(strict_types=1);

use Diastoma\Core\Electrofusion as EF;
use Diastoma\Core\Gasketed;
use Diastoma\Core\Instrument;
use Diastoma\Core\Pipe;
use Diastoma\Core\PressureTest as Test;
use Diastoma\Core\Round;
use Diastoma\Core\Simulation;
use Diastoma\Core\Units;

// Every calculation of the registry. A new one is a class and a line here.
return [
    // what people type, rounds, instruments
    Units\ParseQuantity::class, Units\UnitSlipHint::class,
    Round\CircumferenceOd::class, Round\OutOfRound::class, Round\ClockAngle::class, Round\RoundFit::class,
    Round\RoundCoverage::class, Round\RoundOutlier::class, Round\GapDeflection::class, Round\CutSquareness::class,
    Pipe\Chamfer::class,
    Instrument\MeasurementUncertainty::class, Instrument\ResolutionCheck::class, Instrument\GuardedVerdict::class,
    Instrument\CalibrationStatus::class,
    // electrofusion
    Pipe\PePipeMetric::class, Pipe\PePipeUs::class, Pipe\PePressureRating::class, Pipe\PePressureClassUs::class,
    EF\OvalityRound::class, EF\ToeIn::class, EF\GougeCheck::class, EF\OdAtTemperature::class, EF\LabelCheck::class,
    EF\ScrapeDepth::class, EF\AnnularGap::class, EF\GapFeelers::class, EF\JointMarks::class, EF\FittingCode::class,
    EF\FittingCodeCompare::class, EF\FusionEnergy::class, EF\FusionTimeCorrected::class, EF\ElementResistance::class,
    EF\FusionTrace::class, EF\CoolingClock::class, EF\DewPoint::class, EF\WeldConditions::class,
    EF\SurfaceOpenTime::class, EF\JointVerdict::class,
    // gasketed joints
    Pipe\StationFormat::class, Pipe\PipeOd::class, Gasketed\JointGapFit::class, Gasketed\InsertionMark::class, Gasketed\SpigotChamfer::class,
    // pressure test
    Test\WaterProperties::class, Test\SectionCompliance::class, Test\PressuriseVolume::class, Test\AirContent::class,
    Test\ThermalDrift::class, Test\SystemTestPressure::class, Test\TestGaugeWindow::class, Test\VentsAndDrains::class,
    Test\FillPlan::class, Test\EndThrust::class, Test\EarliestStart::class, Test\MakeupAllowance::class, Test\HoldCheck::class,
    Test\PeThreePoint::class, Test\ViscoelasticTest::class, Test\MakeupLog::class, Test\ViscoelasticLog::class, Test\LogClean::class, Test\HoldSlope::class,
    Simulation\SectionSimulator::class,
];
