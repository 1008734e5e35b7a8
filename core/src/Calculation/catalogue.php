<?php

declare(strict_types=1);

use Diastoma\Core\Electrofusion as EF;
use Diastoma\Core\Gasketed;
use Diastoma\Core\Instrument;
use Diastoma\Core\Mechanical;
use Diastoma\Core\Pipe;
use Diastoma\Core\PressureTest as Test;
use Diastoma\Core\Round;
use Diastoma\Core\Simulation;
use Diastoma\Core\Units;

// Every calculation of the registry under its names. A new one is a class and a line here.
return [
    // what people type, rounds, instruments
    'parse-quantity' => Units\ParseQuantity::class,
    'unit-slip-hint' => Units\UnitSlipHint::class,
    'circumference-od' => Round\CircumferenceOd::class,
    'out-of-round' => Round\OutOfRound::class,
    'clock-angle' => Round\ClockAngle::class,
    'round-fit' => Round\RoundFit::class,
    'round-coverage' => Round\RoundCoverage::class,
    'round-outlier' => Round\RoundOutlier::class,
    'gap-deflection' => Round\GapDeflection::class,
    'cut-squareness' => Round\CutSquareness::class,
    'chamfer' => Pipe\Chamfer::class,
    'measurement-uncertainty' => Instrument\MeasurementUncertainty::class,
    'resolution-check' => Instrument\ResolutionCheck::class,
    'guarded-verdict' => Instrument\GuardedVerdict::class,
    'calibration-status' => Instrument\CalibrationStatus::class,
    'operator-card' => Instrument\OperatorCard::class,
    'elapsed' => Instrument\Elapsed::class,
    // electrofusion
    'pe-pipe-metric' => Pipe\PePipeMetric::class,
    'pe-pipe-us' => Pipe\PePipeUs::class,
    'pe-pressure-rating' => Pipe\PePressureRating::class,
    'pe-pressure-class-us' => Pipe\PePressureClassUs::class,
    'ovality-round' => EF\OvalityRound::class,
    'toe-in' => EF\ToeIn::class,
    'gouge-check' => EF\GougeCheck::class,
    'od-at-temperature' => EF\OdAtTemperature::class,
    'label-check' => EF\LabelCheck::class,
    'scrape-depth' => EF\ScrapeDepth::class,
    'peeled-with' => EF\PeeledWith::class,
    'annular-gap' => EF\AnnularGap::class,
    'gap-feelers' => EF\GapFeelers::class,
    'joint-marks' => EF\JointMarks::class,
    'fitting-code' => EF\FittingCode::class,
    'fitting-code-compare' => EF\FittingCodeCompare::class,
    'box-time-check' => EF\BoxTimeCheck::class,
    'fusion-energy' => EF\FusionEnergy::class,
    'fusion-time-corrected' => EF\FusionTimeCorrected::class,
    'element-resistance' => EF\ElementResistance::class,
    'fusion-trace' => EF\FusionTrace::class,
    'cooling-clock' => EF\CoolingClock::class,
    'dew-point' => EF\DewPoint::class,
    'weld-conditions' => EF\WeldConditions::class,
    'surface-open-time' => EF\SurfaceOpenTime::class,
    'joint-verdict' => EF\JointVerdict::class,
    'ovality-radii' => EF\OvalityRadii::class,
    'scrape-budget' => EF\ScrapeBudget::class,
    'preheat-loop' => EF\PreheatLoop::class,
    'saddle-prep' => EF\SaddlePrep::class,
    'clamp-force' => EF\ClampForce::class,
    'electrofusion-closing-piece' => EF\ClosingPiece::class,
    'pe-thermal-length' => EF\PeThermalLength::class,
    'fitting-code-shape' => EF\FittingCodeShape::class,
    'fitting-code-encode' => EF\FittingCodeEncode::class,
    'trace-code-shape' => EF\TraceCodeShape::class,
    'code-layout-check' => EF\CodeLayoutCheck::class,
    'generator-size' => EF\GeneratorSize::class,
    'lead-drop' => EF\LeadDrop::class,
    'joint-story' => EF\JointStory::class,
    'restraints-ready' => EF\RestraintsReady::class,
    'mark-at-face' => EF\MarkAtFace::class,
    'decohesion-result' => EF\DecohesionResult::class,
    'fusion-thermal-sim' => EF\Melt\FusionThermalSim::class,
    'fusion-inside' => EF\Melt\FusionInside::class,
    'semi-infinite-flux' => EF\Melt\SemiInfiniteFlux::class,
    'stefan-front' => EF\Melt\StefanFront::class,
    // gasketed joints
    'station-format' => Pipe\StationFormat::class,
    'pipe-od' => Pipe\PipeOd::class,
    'pipe-to-hand' => Pipe\PipeToHand::class,
    'joint-gap-fit' => Gasketed\JointGapFit::class,
    'insertion-mark' => Gasketed\InsertionMark::class,
    'spigot-chamfer' => Gasketed\SpigotChamfer::class,
    // pressure test
    'water-properties' => Test\WaterProperties::class,
    'section-compliance' => Test\SectionCompliance::class,
    'pressurise-volume' => Test\PressuriseVolume::class,
    'air-content' => Test\AirContent::class,
    'thermal-drift' => Test\ThermalDrift::class,
    'system-test-pressure' => Test\SystemTestPressure::class,
    'test-gauge-window' => Test\TestGaugeWindow::class,
    'vents-and-drains' => Test\VentsAndDrains::class,
    'fill-plan' => Test\FillPlan::class,
    'end-thrust' => Test\EndThrust::class,
    'earliest-start' => Test\EarliestStart::class,
    'makeup-allowance' => Test\MakeupAllowance::class,
    'hold-check' => Test\HoldCheck::class,
    'pe-three-point' => Test\PeThreePoint::class,
    'viscoelastic-test' => Test\ViscoelasticTest::class,
    'makeup-log' => Test\MakeupLog::class,
    'viscoelastic-log' => Test\ViscoelasticLog::class,
    'log-clean' => Test\LogClean::class,
    'hold-slope' => Test\HoldSlope::class,
    'section-simulator' => Simulation\SectionSimulator::class,
    // couplings, flanges, bolts
    'tighten-plan' => Mechanical\TightenPlan::class,
    'torque-log-check' => Mechanical\TorqueLogCheck::class,
];
