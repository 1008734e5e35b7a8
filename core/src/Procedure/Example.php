<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

use Diastoma\Core\Calculation\Given;
use Diastoma\Core\Calculation\Registry;
use Diastoma\Core\Data;
use Diastoma\Core\Pipe\PipeSize;
use Diastoma\Core\PressureTest\Segment;
use Diastoma\Core\Refused;
use Diastoma\Core\Simulation\FusionBox;
use Diastoma\Core\Simulation\PumpAndLogger;

/**
 * Facts as a crew would record them, kept beside each procedure in `core/data/examples`: one good run, and others with the
 * sentence that must come. Times are minutes after the beginning; `"@+35"` in a value is such a time, `{"store": NAME}` a
 * thing out of the made-up stores; a trace is played by the stand-in of its device. Of several entries of one step another run
 * names the one it means: `"items#2"`.
 *
 * @phpstan-type Entry array{
 *     step: string, min: float, value?: array<string, mixed>, plays?: string|null, suggested?: bool, photo?: bool
 * }
 * @phpstan-type Other array{
 *     name: string, step: string, verdict: string, says: string, without?: list<string>, at?: array<string, float>,
 *     plays?: array<string, string>, instead?: array<string, array<string, mixed>>
 * }
 * @phpstan-type ExampleText array{
 *     procedure: string, pipe: array{service: string}&array<string, mixed>, line?: array<string, mixed>,
 *     good: list<Entry>, others?: list<Other>
 * }
 */
final readonly class Example
{
    private const BEGINS = '2026-05-04T08:00:00+02:00';

    private const PUMP_L_MIN = 80;

    /** @param  ExampleText  $text */
    private function __construct(private array $text, public Procedure $procedure)
    {
    }

    /** @return array<string, self> by id of the procedure */
    public static function shipped(): array
    {
        $all = [];
        foreach (Data::files('examples') as $file) {
            $text = Data::json($file);
            if (isset($text['procedure'])) {
                /** @var ExampleText $text */
                $all[$text['procedure']] = new self($text, Procedure::shipped()[$text['procedure']]);
            }
        }

        return $all;
    }

    /** @return list<array{name: string, step: string, verdict: string, says: string}> what else may happen, and what must be said */
    public function others(): array
    {
        return array_map(
            fn (array $other) => [
                'name' => $other['name'],
                'step' => $other['step'],
                'verdict' => $other['verdict'],
                'says' => $other['says'],
            ],
            $this->text['others'] ?? [],
        );
    }

    /** @return array<string, mixed> as {@see JudgeFromJson} takes it */
    public function toJudge(?string $other = null): array
    {
        $facts = array_map(
            fn (Fact $f) => [
                'id' => $f->id,
                'step' => $f->step,
                'value' => $f->value,
                'at' => $f->at->format(Known::TIME),
                'by' => $f->by,
                'role' => $f->role,
            ],
            $this->facts($other),
        );

        return [
            'procedure' => $this->procedure->id,
            'line' => $this->line(),
            'facts' => $facts,
            'now' => $this->moment(60 * 24)->format(Known::TIME),
        ];
    }

    /** Judged long after its end. @param  string|null  $other  name of another run; null: the good one */
    public function judged(?string $other = null): Judgement
    {
        return Judge::judge($this->procedure, $this->facts($other), $this->line(), $this->moment(60 * 24));
    }

    /** @return list<Fact> */
    public function facts(?string $other = null): array
    {
        $others = array_column($this->text['others'] ?? [], null, 'name');
        if ($other !== null && ! isset($others[$other])) {
            $known = implode(', ', array_keys($others));
            throw Refused::field('name', "{$this->procedure->id} has no example \"{$other}\"; there are {$known}.");
        }
        $change = $others[$other] ?? [];
        $facts = [];
        $times = [];
        foreach ($this->text['good'] as $entry) {
            $key = $entry['step'];
            $one = $key.'#'.($times[$key] = ($times[$key] ?? 0) + 1);
            if (array_intersect([$key, $one], $change['without'] ?? []) !== []) {
                continue;
            }
            $min = (float) ($change['at'][$one] ?? $change['at'][$key] ?? $entry['min']);
            $step = $this->procedure->step($key) ?? throw new \OutOfBoundsException("{$this->procedure->id} has no step {$key}");
            $played = ['plays' => $change['plays'][$key] ?? ($entry['plays'] ?? null)] + $entry;
            $instead = $change['instead'][$one] ?? $change['instead'][$key] ?? [];
            $value = $step->normalise($this->value($step, $played, $instead, $min, $facts));
            $id = sprintf('%s-%02d', $this->procedure->id, \count($facts));
            $facts[] = new Fact($id, $key, $value, $this->moment($min), 'Bram Ivesley', 'joiner');
        }

        return $facts;
    }

    /** @return array<string, mixed> what is known of the line at the place */
    public function line(): array
    {
        $pipe = $this->text['pipe'];
        $known = (new PipeSize(Registry::standard()))->of($pipe, $pipe['service']);
        $sides = ['a' => 'pipe 001', 'b' => 'pipe 002'];

        return $this->resolved($this->text['line'] ?? []) +
            $known + [
                'service' => $pipe['service'],
                'time_zone' => 'Europe/Vienna',
                // Its devices are played by stand-ins.
                'practice' => true,
                'mdp_bar' => 8,
                'sides' => $sides,
                'closing_piece' => false,
                'rejected' => [],
            ];
    }

    private function moment(float $min): \DateTimeImmutable
    {
        return (new \DateTimeImmutable(self::BEGINS))->modify('+'.(int) round(60 * $min).' seconds');
    }

    /**
     * @param  Entry  $entry
     * @param  array<string, mixed>  $instead
     * @param  list<Fact>  $before
     * @return array<string, mixed>
     */
    private function value(Step $step, array $entry, array $instead, float $min, array $before): array
    {
        $value = $this->resolved($instead + ($entry['value'] ?? []));
        if (($entry['photo'] ?? false) && ! isset($instead['photos'])) {
            $value['photos'] = ['11111111-1111-4111-8111-111111111111'];
        }
        $plays = $entry['plays'] ?? null;
        $known = fn (): StepState => Judge::judge($this->procedure, $before, $this->line(), $this->moment($min))->steps[$step->key];

        return match (true) {
            $entry['suggested'] ?? false => $value + $known()->suggested,
            $plays === null => $value,
            $step->standIn !== null => $value + $this->log($step->standIn, $plays),
            default => $value + $this->trace($known()->device ?? [], $plays, $min),
        };
    }

    /**
     * @param  array<string, mixed>  $device
     * @return array<string, mixed>
     */
    private function trace(array $device, string $fault, float $min): array
    {
        $programme = FusionBox::programme($fault);
        $told = fn (string $key): float => Given::number($device, $key);
        $samples = FusionBox::trace($told('u_v'), $told('r_ohm'), $told('t_s'), $fault);
        $lasts = $samples[\count($samples) - 1][0];

        return [
            'trace' => sprintf('%08d-0000-4000-8000-000000000000', (int) $min),
            'part' => 0,
            'final' => true,
            'source' => 'stand-in',
            'samples' => $samples,
            'supply_v' => 230 * $programme['supply_ratio'],
            'cold_r_ohm' => $told('r_ohm') * $programme['r_ratio'],
            'started_at' => $this->moment($min)->format(Known::TIME),
            'ended_at' => $this->moment($min + $lasts / 60)->format(Known::TIME),
        ];
    }

    /** @return array<string, mixed> */
    private function log(StandIn $standIn, string $fault): array
    {
        /** @var array{segments: non-empty-list<array<string, mixed>>, gauge_target_kpa: float, creep_m?: float} $line */
        $line = $this->line();
        $s = $line['segments'][0];
        $told = fn (string $key): float => Given::number($s, $key);
        $segment = new Segment(
            $told('length_m'),
            $told('id_mm') / 1000,
            $told('wall_mm') / 1000,
            $told('e_mod_gpa') * 1e9,
            $told('nu'),
            Given::text($s, 'restraint'),
        );
        $run = (new PumpAndLogger(
            $segment,
            12,
            $line['gauge_target_kpa'] * 1000,
            self::PUMP_L_MIN / 60000,
            $fault,
            $line['creep_m'] ?? null,
        ))->play($standIn);

        return [
            'trace' => '22222222-0000-4000-8000-000000000000',
            'part' => 0,
            'final' => true,
            'source' => 'stand-in',
            'samples' => $run['rows'],
            'marks' => $run['marks'],
        ];
    }

    /**
     * @param  array<mixed>  $values
     * @return array<mixed> with times and things out of the stores in their places
     */
    private function resolved(array $values): array
    {
        return array_map(
            fn (mixed $v) => match (true) {
                \is_string($v) && str_starts_with($v, '@+') => $this->moment((float) substr($v, 2))->format(Known::TIME),
                ! \is_array($v) => $v,
                array_keys($v) === ['store'] && \is_string($v['store']) => self::thing($v['store']),
                default => $this->resolved($v),
            },
            $values,
        );
    }

    /** @return array<string, mixed> */
    private static function thing(string $name): array
    {
        /** @var array<string, array<string, mixed>> $things */
        $things = Data::json('examples/stores.json')['things'];
        $thing = $things[$name]
            ?? throw new \OutOfBoundsException("Nothing in the example stores is called {$name}");
        $layout = ($thing['kind'] ?? '') === 'code-layout' ? ['layout' => Data::json('codes/practice.json')] : [];

        return ['id' => $name, 'name' => $name] + $layout + array_diff_key($thing, ['kind' => true]);
    }
}
