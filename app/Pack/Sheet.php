<?php

namespace App\Pack;

use App\Actions\HoldSeals;
use App\Actions\PlanSection;
use App\Models\Fact;
use App\Models\PressureTest;
use App\Models\Seal;
use App\Support\Say;
use Diastoma\Core\Laying\CentreLine;
use Diastoma\Core\PressureTest\Medium;
use Diastoma\Core\Procedure\FieldSpec;
use Diastoma\Core\Procedure\Judgement;
use Diastoma\Core\Procedure\Kind\Hold;
use Diastoma\Core\Procedure\Parameter;
use Diastoma\Core\Procedure\Step;
use Diastoma\Core\Procedure\StepState;
use Diastoma\Core\Procedure\Words;
use Diastoma\Core\Stores\StoreKind;
use Diastoma\Core\Units\Display;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Unit;
use Diastoma\Core\Units\UnitSystem;
use Diastoma\Core\Verdict;
use Illuminate\Database\Eloquent\Builder;

/**
 * What stands on the sheets of a test pack, in the units of who prints it and the time of the place.
 *
 * @phpstan-import-type Held from HoldSeals
 */
final readonly class Sheet
{
    private \DateTimeZone $zone;

    private Judgement $judgement;

    private Words $words;

    /** @var array<string, mixed> {@see SectionPlan::plan()} */
    private array $plan;

    /** @var list<float> m, of the joints */
    private array $chainages;

    /** @param  Held|null  $chain  how the seals of its line hold; null: as who looks at it now is told */
    public function __construct(
        private PressureTest $test,
        private UnitSystem $units,
        PlanSection $planning,
        private ?array $chain = null,
    ) {
        $this->zone = new \DateTimeZone($test->line()->project->time_zone);
        $this->judgement = $test->judgement();
        $this->words = new Words($units, $this->zone);
        $this->plan = $planning->plan($test->section);
        $this->chainages = $planning->chainages($test->section);
    }

    /** @return array<string, mixed> what the views want, but for the joints, of which there may be very many: {@see JointRows} */
    public function all(): array
    {
        $line = $this->test->line();
        $judged = $this->judgement->toArray($this->units, $this->zone);
        $procedure = $this->test->procedure();

        return [
            'test' => $this->test,
            'section' => $this->test->section,
            'line' => $line,
            'project' => $line->project,
            'title' => Say::text($procedure->medium === Medium::Nothing ? 'pack.titleOther' : 'pack.title', [
                'number' => $this->test->number,
                'section' => $this->test->section->name,
            ]),
            'verdict' => $this->judgement->verdict->value,
            'isSigned' => $this->test->sealed_at !== null,
            'asked' => $this->test->asked_kpa === null
                ? null
                : Display::value('asked_kpa', $this->test->asked_kpa, null, $this->units),
            'reasons' => $judged['reasons'],
            'found' => $this->found($judged['steps']),
            'about' => $this->about(),
            'confirm' => $this->toConfirm(),
            'course' => $this->course(),
            'isLogged' => array_filter($procedure->steps, fn (Step $step) => $step->isA('trace')) !== [],
            'bands' => $this->namedBands(),
            'planned' => $this->planned(),
            'map' => $this->map(),
            'profile' => $this->profile(),
            'entries' => (new Entries($this->test, $this->judgement, $this->words))->all(),
            'devices' => $this->devices(),
            'site' => SiteRows::of($this->test),
            'people' => People::at($this->factsOfTest()),
            'limits' => Limits::of($procedure, $this->units),
            'signatures' => $this->signatures(),
            'seal' => Seal::query()->where('subject_id', $this->test->id)->first(),
            'chain' => Chain::said($this->chain ?? HoldSeals::of($line), $this->words),
            'head' => Head::said($line),
        ];
    }

    /**
     * What the steps say that are good: the figures on which the result stands; and what was found beside them.
     *
     * @param  list<array<string, mixed>>  $steps
     * @return list<string>
     */
    private function found(array $steps): array
    {
        $judged = array_filter($steps, fn (array $step) => \in_array($step['stage'], ['test', null], true) && $step['kind'] !== 'hold');
        $good = array_filter(
            array_merge(...array_values(array_column($judged, 'reasons'))),
            fn (array $reason) => $reason['verdict'] === Verdict::Good->value,
        );

        $findings = array_merge(...array_values(array_column($judged, 'findings')));

        return [...array_column($good, 'text'), ...array_column($findings, 'text')];
    }

    /** @return list<array{string, string}> label, value */
    private function about(): array
    {
        $line = $this->test->line();
        $section = $this->test->section;
        $project = $line->project;
        $method = $this->judgement->procedure;
        $stated = fn (string $text): string => $text === '' ? Say::text('pack.notStated') : $text;

        return [
            [Say::text('pack.client'), $stated($project->client)],
            [Say::text('pack.contractor'), $stated($project->contractor)],
            [Say::text('pack.project'), $project->name.($project->place === '' ? '' : ", {$project->place}")],
            [Say::text('pack.line'), "{$line->name}, {$line->service}"],
            [Say::text('pack.section'), Say::text('pack.sectionFromTo', [
                'name' => $section->name,
                'from' => $this->length($section->from_m),
                'to' => $this->length($section->to_m),
                'length' => $this->length($section->to_m - $section->from_m),
            ])],
            [Say::text('pack.pipe'), PipeInWords::of($line->pipe, $this->units)],
            [Say::text('pack.method'), Say::text('pack.methodVersion', ['title' => $method->title, 'version' => $method->version])],
            [Say::text('pack.tested'), $this->tested() ?? Say::text('pack.notYet')],
            ...$this->plannedPressures(),
        ];
    }

    /** @return list<array{string, string}> none where the method has a pressure of its own */
    private function plannedPressures(): array
    {
        if ($this->plan['at_gauge'] !== true) {
            return [];
        }

        return [
            [Say::text('pack.testPressure'), Say::text('pack.atLowestPoint', [
                'pressure' => $this->figure('p_kpa', $this->plan['stp_kpa']),
            ])],
            [Say::text('pack.atGauge'), Say::text('pack.pressureAt', [
                'pressure' => $this->figure('p_kpa', (float) $this->test->context[PlanSection::AT_GAUGE]),
                'place' => $this->length($this->plan['gauge']['gauge_m']),
            ])],
        ];
    }

    /** From the first to the last reading of its log; where that does not say when it began, from the first entry to the last. */
    private function tested(): ?string
    {
        $log = $this->drawnCourse()['of'] ?? null;
        $samples = $log?->fact?->value['samples'] ?? [];
        $nought = $log === null ? null : $this->minuteNought($log);
        if ($nought !== null && \count($samples) > 1) {
            $at = fn (float $minute): string => $nought->modify('+'.(int) round(60 * $minute).' seconds')->format(DATE_ATOM);

            return $this->fromTo($at($samples[0][0]), $at($samples[\count($samples) - 1][0]));
        }
        $recorded = $this->test->recorded();

        return $recorded->isEmpty() ? null : $this->fromTo($recorded->first()->recorded_at, $recorded->last()->recorded_at);
    }

    private function fromTo(string $first, string $last): string
    {
        return Say::text('pack.fromTo', ['from' => $this->words->moment($first), 'to' => $this->words->moment($last)]);
    }

    /** @return array{limits: list<string>, by: string|null} what somebody has to confirm, and who did */
    private function toConfirm(): array
    {
        $limits = array_filter($this->judgement->procedure->parameters, fn (Parameter $p) => $p->isFromMemory());
        $by = null;
        foreach ($this->holds() as $state) {
            if ($state->fact !== null && Hold::isSigned($state->fact->value) && isset($state->fact->value['confirmed'])) {
                $by = $state->fact->by.', '.$this->words->moment($state->fact->at->format(DATE_ATOM));
            }
        }

        return [
            'limits' => array_values(array_map(
                fn (Parameter $p) => ucfirst($p->label).': '.implode(', ', array_filter([Limits::shown($p, $this->units), $p->source])),
                $limits,
            )),
            'by' => $by,
        ];
    }

    /** @return array{of: StepState, shown: array<string, mixed>}|null the log, and what is drawn over it */
    private function drawnCourse(): ?array
    {
        foreach ($this->judgement->steps as $state) {
            $figure = $state->figure;
            if (($figure['shape'] ?? null) === 'course' && isset($this->judgement->steps[$figure['of'] ?? ''])) {
                return ['of' => $this->judgement->steps[$figure['of']], 'shown' => $figure];
            }
        }

        return null;
    }

    private function course(): ?Drawing
    {
        $drawn = $this->drawnCourse();
        $samples = $drawn['of']->fact->value['samples'] ?? [];
        if ($drawn === null || \count($samples) < 2) {
            return null;
        }
        $limits = [];
        foreach ($drawn['shown']['limits'] ?? [] as $limit) {
            $line = $this->limitLine($limit);
            if ($line !== []) {
                $limits[] = ['name' => $limit['name'], 'line' => $line];
            }
        }

        return (new CourseOfTest($samples, $this->bands(), $limits, $this->units, $this->minuteNought($drawn['of'])))->draw();
    }

    /**
     * @param  array<string, mixed>  $limit
     * @return list<array{float, float}> [min, kPa]
     */
    private function limitLine(array $limit): array
    {
        if (! isset($limit['from_min'], $limit['to_min'])) {
            return [];
        }

        [$from, $to] = [(float) $limit['from_min'], (float) $limit['to_min']];
        if (isset($limit['kpa'])) {
            return [[$from, (float) $limit['kpa']], [$to, (float) $limit['kpa']]];
        }

        return array_map(fn (array $p): array => [$from + (float) $p[0], (float) $p[1]], array_values($limit['points'] ?? []));
    }

    /** @return list<array{name: string, from_min: float, to_min: float}> */
    private function bands(): array
    {
        return array_values(array_filter(
            $this->drawnCourse()['shown']['bands'] ?? [],
            fn (array $band) => isset($band['from_min'], $band['to_min']),
        ));
    }

    /** When minute 0 of the log was, where the log says it. */
    private function minuteNought(StepState $log): ?\DateTimeImmutable
    {
        $at = $log->fact->value['first_at'] ?? $log->fact->value['started_at'] ?? null;

        return \is_string($at) ? (new \DateTimeImmutable($at))->setTimezone($this->zone) : null;
    }

    /** @return list<array{name: string, from: string, to: string, lasted: string}> */
    private function namedBands(): array
    {
        $drawn = $this->drawnCourse();
        $nought = $drawn === null ? null : $this->minuteNought($drawn['of']);
        $time = fn (float $min): string => $nought === null
            ? Say::text('pack.minuteAt', ['minute' => round($min, 1)])
            : $nought->modify('+'.(int) round(60 * $min).' seconds')->format('H:i');

        return array_map(fn (array $band) => [
            'name' => $band['name'], 'from' => $time($band['from_min']), 'to' => $time($band['to_min']),
            'lasted' => Display::value('x_min', $band['to_min'] - $band['from_min'], 1, $this->units),
        ], $this->bands());
    }

    /** @return list<array{string, string}> */
    private function planned(): array
    {
        $plan = $this->plan;
        $gauge = $plan['gauge'];
        $none = Say::text('pack.none');
        $most = $gauge['pipe_max_stated'] ? $this->figure('p_kpa', $gauge['pipe_max_kpa']) : Say::text('pack.notStated');
        $places = fn (array $at): string => $at === [] ? $none : implode(', ', array_map($this->length(...), $at));

        $volume = [Say::text('pack.volume'), $this->figure('x_m3', $plan['compliance']['volume_m3'])];
        if ($plan['at_gauge'] !== true) {
            return [$volume, ...$this->stored()];
        }

        return [
            [Say::text('pack.gaugeMayShow'), $this->between($gauge['min_kpa'], $gauge['max_kpa'])],
            [Say::text('pack.mostOfWeakest'), $most],
            $volume,
            [Say::text('pack.waterForRise'), $this->figure('x_l_per_bar', $plan['compliance']['compliance_l_per_bar'])],
            [Say::text('pack.thrust'), $this->figure('x_kn', $plan['thrust']['force_kn'])],
            [Say::text('pack.vents'), $places($plan['vents']['vents_m'])],
            [Say::text('pack.drains'), $places($plan['vents']['drains_m'])],
        ];
    }

    /** @return list<array{string, string}> what the section full of gas holds, as it was planned */
    private function stored(): array
    {
        $stored = $this->plan['stored'];

        return $stored === null ? [] : [
            [Say::text('pack.stored'), Say::text('pack.storedAt', [
                'energy' => $this->figure('x_mj', $stored['energy_mj']),
                'pressure' => $this->figure('p_kpa', $stored['p_kpa']),
            ])],
            [Say::text('pack.keep'), $this->length($stored['distance_m'])],
        ];
    }

    private function between(float $least, float $most): string
    {
        [$from, $to] = [$this->figure('p_kpa', $least), $this->figure('p_kpa', $most)];

        return $from === $to ? Say::text('pack.exactly', ['figure' => $from]) : Say::text('pack.fromTo', ['from' => $from, 'to' => $to]);
    }

    private function map(): Drawing
    {
        /** @var non-empty-list<array{float, float}> $profile */
        $profile = $this->plan['profile'];

        return (new PlanOfSection(
            new CentreLine($this->test->line()->centre_line),
            array_map(fn (array $point): float => $point[0], $profile),
            $this->chainages,
            $this->plan['at_gauge'] === true ? $this->plan['gauge']['gauge_m'] : null,
            $this->length(...),
        ))->draw();
    }

    private function profile(): Drawing
    {
        $unit = Unit::of(Quantity::Length, $this->units->suffix('m'));
        $gauge = $this->plan['gauge'];
        $pressureAt = fn (string $place): string => $this->figure('p_kpa', $this->headAt($gauge[$place]));

        return (new ProfileOfSection(
            $this->plan['profile'],
            $this->chainages,
            $this->marks(),
            $this->plan['at_gauge'] === true ? [
                [$gauge['lowest_m'], Say::text('pack.lowest', ['pressure' => $pressureAt('lowest_m')])],
                [$gauge['highest_m'], Say::text('pack.highest', ['pressure' => $pressureAt('highest_m')])],
            ] : [],
            fn (float $m): float => $unit->fromSi($m),
            $unit->symbol,
        ))->draw();
    }

    /** @return list<array{float, string}> [m, what is there], each place once */
    private function marks(): array
    {
        $marks = [];
        $places = $this->plan['medium'] === Medium::Water->value
            ? ['vent' => $this->plan['vents']['vents_m'], 'drain' => $this->plan['vents']['drains_m']]
            : [];
        $gauge = $this->plan['at_gauge'] === true ? ['gauge' => [$this->plan['gauge']['gauge_m']]] : [];
        foreach ($places + $gauge as $what => $at) {
            foreach ($at as $m) {
                $marks[(string) $m][] = Say::text("pack.mark.{$what}");
            }
        }

        return array_map(fn (string|int $m, array $words) => [(float) $m, implode(', ', $words)], array_keys($marks), $marks);
    }

    /** kPa at a point of the profile while the gauge shows what it is to show */
    private function headAt(float $chainage): float
    {
        foreach ($this->plan['heads'] as [$at, $kpa]) {
            if (abs($at - $chainage) < 1e-6) {
                return $kpa;
            }
        }

        throw new \LogicException("No point of the profile at {$chainage} m");
    }

    /** @return list<array{name: string, what: string, said: string}> things out of the stores with which it was tested */
    private function devices(): array
    {
        $things = [];
        foreach ($this->judgement->steps as $state) {
            foreach ($state->fact === null ? [] : $state->step->fields as $field) {
                $thing = $state->fact->value[$field->key] ?? null;
                if ($field->type === 'item' && \is_array($thing)) {
                    $things[] = ['name' => $thing['name'], 'what' => $field->label, 'said' => $this->saidOf($field, $thing)];
                }
            }
        }

        return $things;
    }

    /** @param  array<string, mixed>  $thing */
    private function saidOf(FieldSpec $field, array $thing): string
    {
        return $field->of === null ? '' : implode('; ', StoreKind::of($field->of)->words($thing, $this->words));
    }

    /** @return Builder<Fact> */
    private function factsOfTest(): Builder
    {
        return Fact::query()->where('facts.subject_type', $this->test->getMorphClass())->where('facts.subject_id', $this->test->id);
    }

    /** @return list<array{title: string, by: string, at: string}> */
    private function signatures(): array
    {
        return array_map(function (StepState $state): array {
            $signed = $state->fact !== null && Hold::isSigned($state->fact->value);

            return [
                'title' => $state->title,
                'by' => $signed ? "{$state->fact->by}, {$state->fact->role}" : Say::text('pack.notSigned'),
                'at' => $signed ? $this->words->moment($state->fact->at->format(DATE_ATOM)) : '',
            ];
        }, $this->holds());
    }

    /** @return list<StepState> */
    private function holds(): array
    {
        return array_values(array_filter($this->judgement->steps, fn (StepState $s) => $s->step->isA('hold')));
    }

    private function figure(string $key, float $value, ?int $decimals = null): string
    {
        return Display::value($key, $value, $decimals, $this->units);
    }

    private function length(float $m): string
    {
        return Display::value('x_m', $m, 1, $this->units);
    }
}
