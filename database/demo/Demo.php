<?php

namespace Database\Demo;

use App\Actions\AddJoints;
use App\Actions\AddStretch;
use App\Actions\CreateLine;
use App\Actions\CutOutJoint;
use App\Actions\JudgeSubject;
use App\Actions\KeepPhoto;
use App\Actions\PlanSection;
use App\Actions\RecordFact;
use App\Actions\SayOfPipe;
use App\Laying\Asked;
use App\Laying\LayDown;
use App\Models\Joint;
use App\Models\Line;
use App\Models\Pipe;
use App\Models\PressureTest;
use App\Models\ProcedureText;
use App\Models\Project;
use App\Models\Role;
use App\Models\Subject;
use App\Models\User;
use Diastoma\Core\Laying\Tolerance;
use Diastoma\Core\PressureTest\Segment;
use Diastoma\Core\Procedure\Example;
use Diastoma\Core\Procedure\Parameter;
use Diastoma\Core\Simulation\PumpAndLogger;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Str;

/** A made-up valley with a water main half laid, so that each page has something true to show. Nobody and nothing here is real. */
final class Demo
{
    private const BEFORE_MEASURING = ['kit', 'conditions', 'pipes', 'code', 'label', 'supply', 'cut-ends@a', 'cut-ends@b'];

    private const FIRST_END = ['od@a', 'ovality@a', 'scrape@a', 'mark@a', 'od@b', 'ovality@b'];

    public const PASSWORD = 'clay-and-chalk';

    public const PEOPLE = [
        'engineer' => ['Tamsin Orrel', 'tamsin@diastoma.example'],
        'foreman' => ['Odile Fenner', 'odile@diastoma.example'],
        'joiner' => ['Bram Ivesley', 'bram@diastoma.example'],
        'inspector' => ['Ruben Castell', 'ruben@diastoma.example'],
    ];

    /** @var array<string, User> */
    private array $people = [];

    private \DateTimeImmutable $now;

    public function __construct(
        private readonly CreateLine $createLine,
        private readonly RecordFact $record,
        private readonly CutOutJoint $cutOut,
        private readonly JudgeSubject $judge,
        private readonly PlanSection $planSection,
        private readonly AddJoints $addJoints,
        private readonly KeepPhoto $keepPhoto,
        private readonly Stores $stores,
        private readonly SayOfPipe $sayOfPipe,
        private readonly LayDown $layDown,
        private readonly AddStretch $addStretch,
    ) {
    }

    public function build(): void
    {
        $this->now = new \DateTimeImmutable('now', new \DateTimeZone('Europe/Vienna'));
        $project = Project::query()->create([
            'name' => 'Ferrow valley renewal',
            'place' => 'Ferrow',
            'client' => 'Ferrow Water Board',
            'contractor' => 'Brindle & Oake Pipelines',
            'time_zone' => 'Europe/Vienna',
            'practice' => true,
        ]);
        foreach (self::PEOPLE as $role => [$name, $email]) {
            $this->people[$role] = User::query()->create([
                'name' => $name,
                'email' => $email,
                'password' => self::PASSWORD,
                'units' => 'metric',
            ]);
            $this->people[$role]->projects()->attach($project, ['role' => $role]);
        }
        $this->people['engineer']->update(['is_admin' => true]);
        $stranger = Project::query()->create(['name' => 'Sallow marsh outfall', 'place' => 'Sallow', 'time_zone' => 'Europe/Vienna']);
        $other = User::query()->create(['name' => 'Ina Marrow', 'email' => 'ina@diastoma.example', 'password' => self::PASSWORD]);
        $other->projects()->attach($stranger, ['role' => 'engineer']);

        $this->stores->fill($project, $this->people, $this->now);
        $this->mainLine($project);
        $this->pvcLine($project);
        $this->leakingMain($project);
        $this->gasketedLines($project);
        $this->laidOutLine($project);
        $this->mechanicalLines($project);
        $this->trunkMain($project);
        $this->gasLine($project);
        $this->plannedLines($project);
    }

    private function mainLine(Project $project): void
    {
        $visco = ProcedureText::query()->where('key', 'pe-viscoelastic')->firstOrFail()->hash;
        $line = ($this->createLine)($project, $this->people['engineer'], [
            'name' => 'Kelder Lane main',
            'service' => 'water',
            'material' => 'PE100',
            'dn_mm' => 225,
            'sdr' => 11,
            'design_bar' => 8,
            'mdp_bar' => 10,
            'pipe_length_m' => 12,
            'procedure_hash' => ProcedureText::query()->where('key', 'ef-coupler-one-pass')->firstOrFail()->hash,
            'centre_line' => self::centreLine(),
            'sections' => [
                ['name' => 'Section 1', 'from_m' => 0, 'to_m' => 210, 'method_hash' => $visco, 'gauge_m' => 0, 'pipe_max_bar' => 16],
                ['name' => 'Section 2', 'from_m' => 210, 'to_m' => 378, 'method_hash' => $visco, 'gauge_m' => 210],
                ['name' => 'Section 3', 'from_m' => 378, 'to_m' => 606, 'method_hash' => $visco, 'gauge_m' => 378],
            ],
        ]);
        $joints = $line->joints()->get()->keyBy('number');
        $start = $this->now->modify('-9 days')->setTime(7, 10);
        for ($n = 1; $n <= 31; $n++) {
            $joint = $joints[(string) $n];
            $day = $start->modify('+'.intdiv($n - 1, 5).' days +'.(65 * (($n - 1) % 5)).' minutes');
            if ($n === 7) {
                $this->make($joint, $n, $day, 'supply-sag');
                $reason = 'Voltage sagged during the fusion; generator governor found dirty.';
                foreach (($this->cutOut)($joint, $this->people['inspector'], $reason) as $k => $new) {
                    ($this->judge)($new);
                    $this->make($new, 70 + $k, $day->modify('+'.(70 + 70 * $k).' minutes'));
                    $this->accept($new, $day->modify('+5 hours'));
                }

                continue;
            }
            $this->make($joint, $n, $day);
            $this->accept($joint, $day->modify('+75 minutes'));
        }
        $this->make($joints['32'], 32, $this->now->modify('-130 minutes'));
        $this->make($joints['33'], 33, $this->now->modify('-95 minutes'), 'shorted-turns', false);
        $this->make($joints['34'], 34, $this->now->modify('-44 minutes'), 'none', false);
        $this->begin($joints['35'], 35, $this->now->modify('-12 minutes'));
        $this->lookAt($joints['36'], 36, $this->now->modify('-6 minutes'));
        $this->test($line, 0, 'none', $this->now->modify('-3 days')->setTime(8, 0), true);
        $this->test($line, 1, 'weep', $this->now->modify('-1 day')->setTime(8, 30), false);
        $pipe = Pipe::query()->where('line_id', $line->id)->where('plain', '51')->firstOrFail();
        ($this->sayOfPipe)($pipe, $this->people['joiner'], true, 'Gouged deeper than a tenth of the wall, 2 m from its end.');
    }

    /**
     * A large main: one joint accepted, one with two windings cooling, one whose gap asks for preheating, one whose restraints
     * still cool.
     */
    private function trunkMain(Project $project): void
    {
        $line = ($this->createLine)($project, $this->people['engineer'], [
            'name' => 'Stour Bank trunk main',
            'service' => 'water',
            'material' => 'PE100',
            'dn_mm' => 630,
            'sdr' => 17,
            'design_bar' => 6,
            'mdp_bar' => 8,
            'pipe_length_m' => 12,
            'procedure_hash' => $this->procedure('ef-coupler-large')->hash,
            'centre_line' => [[0, 4600.0, 1500.0, 91.0], [60, 4660.0, 1502.0, 91.4], [120, 4719.0, 1511.0, 90.7]],
            'sections' => [
                [
                    'name' => 'Trunk, first section',
                    'from_m' => 0,
                    'to_m' => 120,
                    'method_hash' => $this->procedure('pe-viscoelastic')->hash,
                    'gauge_m' => 0,
                ],
            ],
        ]);
        $joints = $line->joints()->get()->keyBy('number');
        $restrained = function (Joint $joint, \DateTimeImmutable $at, int $each = 3, bool $signed = true) use ($line): void {
            foreach (
                ($this->addJoints)($line, [
                    'procedure_hash' => $this->procedure('ef-restraint')->hash,
                    'host_id' => $joint->id,
                    'count' => $each,
                ]) as $n => $restraint
            ) {
                foreach (LargeCoupling::restraint($n, $at->modify("+{$n} minutes"), $this->stores) as $fact) {
                    if ($fact['at'] <= $this->now) {
                        $this->fact($restraint, 'joiner', $fact['step'], $fact['value'], $fact['at']);
                    }
                }
                if ($signed) {
                    $this->fact($restraint, 'foreman', 'accept', ['signed' => true], $at->modify('+40 minutes'));
                }
            }
        };
        $large = [
            ['1', '-26 hours', [2.4, 1.5], 'one'],
            ['2', '-230 minutes', [2.7, 1.6], 'two'],
            ['3', '-92 minutes', [2.6], 'one'],
        ];
        foreach ($large as [$number, $began, $gaps, $windings]) {
            $joint = $joints[$number];
            $start = $this->now->modify($began);
            $restrained($joint, $start->modify('+20 minutes'));
            $joint->refresh();
            $facts = LargeCoupling::facts($joint->pipes ?? ['a' => $number, 'b' => $number], $start, $this->stores, $gaps, $windings);
            foreach ($facts as $fact) {
                if (
                    $fact['at'] > $this->now ||
                    ($number === '3' && \in_array($fact['step'], ['ready', 'fusion', 'cooling', 'look'], true)) ||
                    ($number === '2' && \in_array($fact['step'], ['cooling', 'look'], true))
                ) {
                    continue;
                }
                if ($fact['step'] === 'look') {
                    $fact['value']['photos'] = [$this->photo($joint, 'look', $fact['at'])];
                }
                $this->fact($joint, 'joiner', $fact['step'], $fact['value'], $fact['at']);
            }
            if ($number === '1') {
                $this->accept($joint, $this->now->modify('-20 hours'));
            }
        }
        $restrained($joints['4'], $this->now->modify('-24 minutes'), 3, false);
        ($this->addJoints)($line, ['procedure_hash' => $this->procedure('ef-branch-large')->hash, 'chainage_m' => 19.0]);
    }

    /** A gas main with three service saddles: one tapped, one waiting for its branch test, one broken off by a lost supply. */
    private function gasLine(Project $project): void
    {
        $line = ($this->createLine)($project, $this->people['engineer'], [
            'name' => 'Mallow Street gas services',
            'service' => 'gas',
            'material' => 'PE100',
            'dn_mm' => 180,
            'sdr' => 11,
            'design_bar' => 4,
            'mdp_bar' => 5,
            'pipe_length_m' => 12,
            'procedure_hash' => $this->procedure('ef-coupler-groove')->hash,
            'centre_line' => [[0, 4380.0, 1020.0, 99.1], [60, 4440.0, 1021.5, 99.0]],
            'sections' => [],
        ]);
        foreach ($line->joints()->get() as $n => $joint) {
            // The last one, at the end of the street, still cools.
            $this->make(
                $joint,
                90 + $n,
                $n < 3
                    ? $this->now
                        ->modify('-5 days')
                        ->setTime(7, 30)
                        ->modify('+'. 70 * $n.' minutes')
                    : $this->now->modify('-46 minutes'),
                'none',
                $n < 3,
            );
            if ($n < 3) {
                $this->accept($joint, $this->now->modify('-5 days')->setTime(13, 0));
            }
        }
        $saddle = $this->procedure('ef-saddle-tapping')->hash;
        $saddles = [
            [14.0, '-3 days', 'none', 19],
            [31.5, '-38 minutes', 'none', 17],
            [43.0, '-55 minutes', 'interruption', 14],
        ];
        foreach ($saddles as $n => [$chainage, $began, $fault, $steps]) {
            $joint = ($this->addJoints)($line, ['procedure_hash' => $saddle, 'chainage_m' => $chainage])[0];
            foreach (
                \array_slice(
                    Saddle::facts($n + 1, (string) ($joint->pipes['a'] ?? '1'), $this->now->modify($began), $this->stores, $fault),
                    0,
                    $steps,
                ) as $fact
            ) {
                if ($fact['at'] <= $this->now) {
                    if ($fact['step'] === 'look') {
                        $fact['value']['photos'] = [$this->photo($joint, 'look', $fact['at'])];
                    }
                    $this->fact($joint, 'joiner', $fact['step'], $fact['value'], $fact['at']);
                }
            }
            if ($n === 0) {
                $this->accept($joint, $this->now->modify('-2 days'));
            }
        }
    }

    private function procedure(string $key): ProcedureText
    {
        return ProcedureText::query()->where('key', $key)->latest()->firstOrFail();
    }

    /** A drawn picture: a coupling between two pipes with their marks. Nothing here was ever photographed. */
    private function photo(Subject $subject, string $step, \DateTimeImmutable $at): string
    {
        $image = imagecreatetruecolor(960, 640);
        $colour = fn (int $rgb): int => (int) imagecolorallocate($image, ($rgb >> 16) & 255, ($rgb >> 8) & 255, $rgb & 255);
        imagefilledrectangle($image, 0, 0, 960, 640, $colour(0x9A8468));
        imagefilledrectangle($image, 0, 450, 960, 640, $colour(0x6E5A44));
        imagefilledrectangle($image, 0, 210, 960, 430, $colour(0x1F2226));
        imagefilledrectangle($image, 300, 180, 660, 460, $colour(0x2B2F35));
        foreach ([286, 666] as $x) {
            imagefilledrectangle($image, $x, 210, $x + 7, 430, $colour(0xE8E2D0));
        }
        foreach ([360, 600] as $x) {
            imagefilledellipse($image, $x, 200, 34, 34, $colour(0x14161A));
            imagefilledellipse($image, $x, 200, 16, 16, $colour(0xD9B13B));
        }
        imagestring($image, 5, 330, 590, 'made-up picture: coupling, marks, indicators', $colour(0xF7F2E9));
        $file = (string) tempnam(sys_get_temp_dir(), 'photo');
        imagejpeg($image, $file, 85);
        $id = (string) Str::uuid();
        ($this->keepPhoto)(
            $subject,
            $this->people['joiner'],
            $id,
            $step,
            $at->format('Y-m-d\TH:i:sP'),
            new UploadedFile($file, 'look.jpg', 'image/jpeg', null, true),
        );
        unlink($file);

        return $id;
    }

    /** A line in inch sizes, that nobody has begun. */
    /** Lines that are planned and not begun: inch sizes, coils, and the schools that no other line works by. */
    private function plannedLines(Project $project): void
    {
        $inch = ['series' => 'ips', 'nominal' => 4, 'sdr' => 11, 'pipe_length_m' => 12.192];
        $this->planned($project, 'Plover Row spur', 'ef-coupler-one-pass', $inch, [4310.0, 1220.0], 48.768);
        $coil = ['dn_mm' => 63, 'sdr' => 11, 'pipe_length_m' => 50];
        $this->planned($project, 'Quillet Close services', 'ef-coupler-hand', $coil, [4120.0, 1305.0], 150);
        $straight = ['dn_mm' => 110, 'sdr' => 11, 'pipe_length_m' => 12];
        $this->planned($project, 'Barrow Lane link', 'ef-coupler-table', $straight, [4402.0, 1260.0], 60);
        $pvc = ['material' => 'PVC-U', 'series' => 'dips', 'nominal' => 4, 'sdr' => 18, 'pipe_length_m' => 6.096];
        $this->planned($project, 'Tansy Bank spur', 'pvc-spigot-socket', $pvc, [4185.0, 1150.0], 48, 'makeup-us');
    }

    /**
     * @param  array<string, mixed>  $pipe
     * @param  array{float, float}  $from  easting and northing of its beginning, m
     * @param  string|null  $method  of a section over the whole of it
     */
    private function planned(
        Project $project,
        string $name,
        string $procedure,
        array $pipe,
        array $from,
        float $long,
        ?string $method = null,
    ): void {
        $section = ['name' => 'Spur', 'from_m' => 0, 'to_m' => $long];
        ($this->createLine)($project, $this->people['engineer'], $pipe + [
            'name' => $name,
            'service' => 'water',
            'material' => 'PE100',
            'design_bar' => 6,
            'mdp_bar' => 8,
            'procedure_hash' => $this->procedure($procedure)->hash,
            'centre_line' => [[0, $from[0], $from[1], 95.1], [$long, $from[0] + $long, $from[1], 95.9]],
            'sections' => $method === null ? [] : [$section + ['method_hash' => $this->procedure($method)->hash]],
        ]);
    }

    private function pvcLine(Project $project): void
    {
        $makeup = ProcedureText::query()->where('key', 'constant-pressure-makeup')->firstOrFail()->hash;
        $line = ($this->createLine)($project, $this->people['engineer'], [
            'name' => 'Osier Row branch',
            'service' => 'water',
            'material' => 'PVC-U',
            'dn_mm' => 160,
            'sdr' => 21,
            'design_bar' => 6,
            'mdp_bar' => 8,
            'pipe_length_m' => 6,
            'procedure_hash' => ProcedureText::query()->where('key', 'pvc-spigot-socket')->firstOrFail()->hash,
            'centre_line' => [[0, 4210.0, 1180.0, 96.2], [40, 4250.0, 1180.0, 95.8], [84, 4292.5, 1191.4, 97.1]],
            'sections' => [['name' => 'Branch', 'from_m' => 0, 'to_m' => 84, 'method_hash' => $makeup]],
        ]);
        $this->beddedIn($line);
        foreach ($line->joints()->get()->take(3) as $i => $joint) {
            $at = $this->now->modify('-2 days')->setTime(9, 0)->modify('+'.(40 * $i).' minutes');
            foreach (self::pvcFacts($joint->pipes ?? ['a' => '1', 'b' => '2'], $i === 0) as $k => [$step, $value]) {
                $this->fact($joint, 'joiner', $step, $value, $at->modify("+{$k} minutes"));
            }
            $this->accept($joint, $at->modify('+35 minutes'));
        }
    }

    /**
     * @param  array{a: string, b: string}  $pipes
     * @return list<array{string, array<string, mixed>}>
     */
    public static function pvcFacts(array $pipes, bool $isCut = true): array
    {
        $round = fn (array $values) => [
            'readings' => array_map(fn ($clock, $v) => ['clock' => $clock, 'value_mm' => $v], ['12:00', '3:00', '6:00', '9:00'], $values),
        ];

        return [
            ['pipes', ['pipe_a' => $pipes['a'], 'pipe_b' => $pipes['b'], 'spigot' => $isCut ? 'cut' : 'factory']],
            ...($isCut ? [['cut', $round([0, 0.4, 1.1, 0.6])], ['chamfer', ['length_mm' => 14]]] : []),
            ['mark', ['depth_mm' => 132, 'mark_mm' => 122]],
            ['clean', ['clean' => true, 'belongs' => true, 'seated' => true, 'lubricated' => true]],
            ['push', ['in_line' => true, 'closed' => true]],
            ['seen', ['visible_mm' => 3]],
            ['gap', $round([4.0, 3.6, 3.1, 3.5])],
        ];
    }

    /** A main whose first test was bad: what the fall looks like, and where to look first. Its other section waits for the pump. */
    private function leakingMain(Project $project): void
    {
        $method = ['method_hash' => $this->procedure('pressure-loss')->hash];
        $line = ($this->createLine)($project, $this->people['engineer'], [
            'name' => 'Tansy Row main',
            'service' => 'water',
            'material' => 'PVC-U',
            'dn_mm' => 160,
            'sdr' => 21,
            'design_bar' => 8,
            'mdp_bar' => 10,
            'pipe_length_m' => 12,
            'procedure_hash' => $this->procedure('pvc-spigot-socket')->hash,
            'centre_line' => [
                [0, 4310.0, 1022.0, 92.1], [48, 4358.0, 1022.0, 93.4], [132, 4417.4, 1081.4, 96.0], [204, 4489.4, 1081.4, 93.0],
            ],
            'sections' => [
                ['name' => 'Section 1', 'from_m' => 0, 'to_m' => 132, 'pipe_max_bar' => 16] + $method,
                ['name' => 'Section 2', 'from_m' => 132, 'to_m' => 204, 'pipe_max_bar' => 16] + $method,
            ],
        ]);
        $day = $this->now->modify('-4 days')->setTime(8, 0);
        foreach ($line->joints()->get() as $i => $joint) {
            $this->makePvc($joint, $day->modify('+'.(25 * $i).' minutes'));
            if ($joint->number === '7') {
                $reason = 'Gasket rolled out of its groove: seen with the feeler gauge after a stone had been pulled out.';
                foreach (($this->cutOut)($joint, $this->people['inspector'], $reason) as $k => $new) {
                    ($this->judge)($new);
                    $this->makePvc($new, $day->modify('+'.(480 + 30 * $k).' minutes'));
                }
            }
        }
        $this->test($line, 0, 'weep', $this->now->modify('-1 day')->setTime(9, 0), false);
        $this->readyToPump($this->planSection->begin($line->sections()->get()[1]), $this->now->modify('-5 minutes'));
    }

    private function makePvc(Joint $joint, \DateTimeImmutable $at): void
    {
        $facts = self::pvcFacts($joint->pipes ?? ['a' => '1', 'b' => '2'], $joint->replaces_id !== null);
        if ($joint->closes()) {
            array_splice($facts, 1, 0, [['piece', ['clear_mm' => 1000, 'depth_a_mm' => 132, 'depth_b_mm' => 132, 'cut_mm' => 1245]]]);
        }
        foreach ($facts as $k => [$step, $value]) {
            $this->fact($joint, 'joiner', $step, $value, $at->modify("+{$k} minutes"));
        }
        $this->accept($joint, $at->modify('+15 minutes'));
    }

    /** Gauge and logger chosen, ends braced, filled: what is recorded before the pump starts at that time. */
    private function readyToPump(PressureTest $test, \DateTimeImmutable $at): void
    {
        $facts = [
            [
                'instruments',
                ['gauge' => $this->stores->chosen('gauge'), 'logger' => $this->stores->chosen('logger')],
                $at->modify('-20 minutes'),
            ],
            ['ready', ['restrained' => true, 'valves' => true, 'zone' => true], $at->modify('-10 minutes')],
            ['fill', ['water_c' => 12, 'vented' => true], $at->modify('-5 minutes')],
            ...$this->airOut($test, $at->modify('-3 minutes')),
        ];
        foreach ($facts as [$step, $value, $when]) {
            $this->fact($test, 'foreman', $step, $value, $when);
        }
    }

    /**
     * The pressure drop test of those methods that have it: what comes out of a section without air.
     *
     * @return list<array{string, array<string, mixed>, \DateTimeImmutable}>
     */
    private function airOut(PressureTest $test, \DateTimeImmutable $at): array
    {
        if ($test->procedure()->step('air-out') === null) {
            return [];
        }
        $litresPerBar = $this->planSection->plan($test->section)['compliance']['compliance_l_per_bar'];

        return [['air-out', ['drop_kpa' => 200, 'out_l' => round(2 * $litresPerBar, 2)], $at]];
    }

    /** A line of each other material, its joints good, bad, close and begun as their examples are. */
    private function gasketedLines(Project $project): void
    {
        $this->exampleLine(
            $project,
            'iron-push-on',
            [null, 'the gasket pushed out at the bottom', 'the blade at its edge', null],
            [
                'name' => 'Stannel Street main',
                'centre_line' => [[0, 4080.0, 1402.0, 94.6], [30, 4110.0, 1402.0, 94.9], [66, 4145.1, 1410.0, 95.3]],
                'sections' => [
                    ['name' => 'Main', 'from_m' => 0, 'to_m' => 66, 'method_hash' => $this->procedure('constant-pressure-makeup')->hash],
                ],
            ],
        );
        $this->exampleLine(
            $project,
            'grp-coupling',
            [null, 'pushed without a cover', 'deflected near the limit', null],
            ['name' => 'Harrow Sill transfer main', 'centre_line' => [[0, 4210.0, 1380.0, 101.2], [72, 4281.6, 1387.0, 101.7]]],
        );
        $this->exampleLine(
            $project,
            'concrete-skid',
            [null, 'too far open', 'near the limit', null],
            ['name' => 'Pell Street storm sewer', 'centre_line' => [[0, 4020.0, 1460.0, 88.10], [40, 4059.9, 1462.8, 88.34]]],
        );
        $this->exampleLine(
            $project,
            'corrugated-bell',
            [null, 'a rolled gasket', 'leaned nearly too much', null],
            ['name' => 'Moss End drain', 'centre_line' => [[0, 3950.0, 1500.0, 86.0], [61, 4010.5, 1507.0, 86.4]]],
        );
    }

    /** The first pipes of the branch: bedded in, soft once on the right, shape measured pipe by pipe. */
    private function beddedIn(Line $line): void
    {
        $text = $this->procedure('bedding-in');
        $stretch = ($this->addStretch)($line, $this->people['foreman'], [
            'procedure_hash' => $text->hash, 'name' => 'Pipes 1 to 3', 'from_m' => 0, 'to_m' => 18,
        ]);
        $begun = $this->now->modify('-1 day')->setTime(13, 10);
        foreach (ExampleRun::facts($stretch, Example::shipped()['bedding-in'], 'soft on the right, and not done again', $begun) as $fact) {
            $this->fact($stretch, 'joiner', $fact['step'], $fact['value'], $fact['at']);
        }
    }

    /** Round the foot of a bank and over a culvert: laid out pipe by pipe, the first of them in the trench. */
    private function laidOutLine(Project $project): void
    {
        $line = $this->exampleLine($project, 'iron-push-on', [], ['name' => 'Sallow Bank main', 'centre_line' => self::roundTheBank()]);
        $stock = [['length_m' => 6.0, 'count' => 31], ['length_m' => 5.5, 'count' => 8]];
        $bends = [['at_m' => 192.0, 'bend_deg' => 22.5, 'leg_m' => 0.19]];
        $asked = new Asked($stock, 3.5, null, 0.9, 1.0, 0.005, new Tolerance, false, 0.0, 0.0, $bends);
        ($this->layDown)($line, $this->people['engineer'], Role::Engineer, $asked, 0.0, 'pipes as they were delivered');
        foreach ($line->joints()->limit(3)->get() as $i => $joint) {
            $begun = $this->now->modify('-1 day')->setTime(9, 0)->modify('+'.(45 * $i).' minutes');
            $this->runOn($joint, null, $begun, $i < 2 ? null : 0.5);
        }
    }

    /** @return non-empty-list<array{float, float, float, float}> straights, two arcs, a dip under a culvert, a corner; 3 m apart */
    private static function roundTheBank(): array
    {
        $radii = [[33, null], [93, 140.0], [111, null], [171, -118.0], [222, null]];
        [$east, $north, $bearing] = [4302.0, 1450.0, deg2rad(72)];
        $points = [];
        for ($at = 0; $at <= 222; $at += 3) {
            $dip = max(0.0, 1 - (($at - 130) / 28) ** 2);
            $points[] = [(float) $at, round($east, 4), round($north, 4), round(96.2 + 0.004 * $at - 0.55 * $dip ** 2, 4)];
            $radius = array_values(array_filter($radii, fn (array $row): bool => $at < $row[0]))[0][1] ?? null;
            $bearing += $at === 192 ? deg2rad(24) : 0.0;
            $turn = $radius === null ? 0.0 : 3 / $radius;
            $bearing += $turn / 2;
            [$east, $north] = [$east + 3 * sin($bearing), $north + 3 * cos($bearing)];
            $bearing += $turn / 2;
        }

        return $points;
    }

    /**
     * A line of joints made as the runs of their example, on its pipe: the first is signed, the last only half done.
     *
     * @param  list<string|null>  $runs  names of the example's runs; null: the good one
     * @param  array<string, mixed>  $body  name, centre line, sections
     */
    private function exampleLine(Project $project, string $procedure, array $runs, array $body): Line
    {
        $example = Example::shipped()[$procedure];
        $known = $example->line();
        $isPressed = $known['service'] !== 'sewer';
        $line = ($this->createLine)($project, $this->people['engineer'], $body + [
            ...array_intersect_key($known, array_flip(['service', 'material', 'series', 'nominal', 'od_mm', 'wall_mm'])),
            'design_bar' => $isPressed ? 8 : 0.4,
            'mdp_bar' => $isPressed ? 10 : 0.5,
            'pipe_length_m' => $known['length_m'],
            'procedure_hash' => $this->procedure($procedure)->hash,
        ]);
        foreach ($runs as $i => $run) {
            $begun = $this->now->modify('-1 day')->setTime(8, 30)->modify('+'.(50 * $i).' minutes');
            $this->runOn($line->joints()->get()[$i], $run, $begun, $i < \count($runs) - 1 ? null : 0.5);
            if ($i === 0) {
                $this->accept($line->joints()->get()[$i], $begun->modify('+49 minutes'));
            }
        }

        return $line;
    }

    /** @param  float|null  $share  of its steps; null: all */
    private function runOn(Joint $joint, ?string $run, \DateTimeImmutable $begun, ?float $share = null): void
    {
        $example = Example::shipped()[$joint->procedure()->id];
        $facts = ExampleRun::facts($joint, $example, $run, $begun);
        foreach ($share === null ? $facts : \array_slice($facts, 0, (int) ($share * \count($facts))) as $fact) {
            $this->fact($joint, 'joiner', $fact['step'], $fact['value'], $fact['at']);
        }
    }

    /** A repair on an old main, a valve chamber, a street of services. */
    private function mechanicalLines(Project $project): void
    {
        $repair = $this->exampleLine(
            $project,
            'bolted-coupling',
            [null, 'a mark still to be seen', 'bolts too loose', null],
            ['name' => 'Tanner Row repair', 'centre_line' => [[0, 4130.0, 1330.0, 96.2], [27, 4157.0, 1331.0, 96.4]]],
        );
        $clamp = ($this->addJoints)($repair, ['procedure_hash' => $this->procedure('wrap-clamp')->hash, 'chainage_m' => 21.4])[0];
        $this->runOn($clamp, 'one click of two', $this->now->modify('-70 minutes'), 0.45);
        $this->exampleLine(
            $project,
            'flange-joint',
            [null, 'faces out of parallel', null],
            ['name' => 'Weir Gate valve chamber', 'centre_line' => [[0, 4101.0, 1290.0, 95.0], [24, 4125.0, 1290.0, 95.0]]],
        );
        $street = $this->exampleLine(
            $project,
            'iron-push-on',
            [null, null, null],
            ['name' => 'Quarry Row services', 'centre_line' => [[0, 4260.0, 1260.0, 97.3], [24, 4284.0, 1261.0, 97.5]]],
        );
        $live = $this->procedure('tap-live-water')->hash;
        foreach ([[3.0, '-2 days', 1.0], [9.5, '-52 minutes', 0.55], [15.0, '-20 minutes', 0.11]] as [$at, $began, $share]) {
            $this->runOn(
                ($this->addJoints)($street, ['procedure_hash' => $live, 'chainage_m' => $at])[0],
                null,
                $this->now->modify($began),
                $share,
            );
        }
    }

    private function make(Joint $joint, int $seed, \DateTimeImmutable $start, string $fault = 'none', bool $cooled = true): void
    {
        foreach ($this->couplerFacts($joint, $seed, $start, $fault, $cooled) as $fact) {
            $this->fact($joint, 'joiner', $fact['step'], $fact['value'], $fact['at']);
            if ($fact['step'] === 'pipes' && ($joint->context()['closing_piece'] ?? false)) {
                // 1000 mm between the ends at 12 °C, tied in at 10 °C.
                $this->fact(
                    $joint,
                    'joiner',
                    'piece',
                    [
                        'gap_mm' => 1000,
                        'measured_c' => 12,
                        'tie_c' => 10,
                        'piece_c' => 12,
                        'free_m' => 0,
                        'coupling_mm' => 230,
                        'cut_mm' => 994,
                    ],
                    $fact['at'],
                );
            }
        }
    }

    /** @return list<array{step: string, value: array<string, mixed>, at: \DateTimeImmutable}> */
    private function couplerFacts(Joint $joint, int $seed, \DateTimeImmutable $start, string $fault = 'none', bool $cooled = true): array
    {
        return CouplerJoint::facts(
            (int) $joint->loadMissing('ofLine')->line()->pipe['dn_mm'],
            $seed,
            $joint->pipes ?? ['a' => 'laid', 'b' => 'new'],
            $start,
            $this->stores->kit(),
            ['generator' => $this->stores->chosen('set'), 'lead' => $this->stores->chosen('lead')],
            $this->stores->chosen('layout'),
            $joint->text()->key === 'ef-coupler-groove' ? $this->stores->chosen('scriber') : null,
            $fault,
            $cooled,
        );
    }

    /** A joint at the face: its first end prepared, the second pipe too oval. */
    private function begin(Joint $joint, int $seed, \DateTimeImmutable $start): void
    {
        foreach ($this->firstFacts($joint, $seed, $start, [...self::BEFORE_MEASURING, ...self::FIRST_END]) as $fact) {
            if ($fact['step'] === 'ovality@b') {
                foreach ([228.1, 229.2, 224.6, 223.4] as $i => $mm) {
                    $fact['value']['readings'][$i]['value_mm'] = $mm;
                }
            }
            $this->fact($joint, 'joiner', $fact['step'], $fact['value'], min($fact['at'], $this->now));
        }
    }

    /** The next one: looked at and washed, not measured yet. */
    private function lookAt(Joint $joint, int $seed, \DateTimeImmutable $start): void
    {
        foreach ($this->firstFacts($joint, $seed, $start, self::BEFORE_MEASURING) as $fact) {
            $this->fact($joint, 'joiner', $fact['step'], $fact['value'], min($fact['at'], $this->now));
        }
    }

    /**
     * @param  list<string>  $steps
     * @return list<array{step: string, value: array<string, mixed>, at: \DateTimeImmutable}> of these steps alone
     */
    private function firstFacts(Joint $joint, int $seed, \DateTimeImmutable $start, array $steps): array
    {
        return array_values(
            array_filter($this->couplerFacts($joint, $seed, $start), fn (array $fact) => \in_array($fact['step'], $steps, true)),
        );
    }

    private function accept(Joint $joint, \DateTimeImmutable $at): void
    {
        $this->fact($joint, 'inspector', 'accept', ['signed' => true], $at);
    }

    private function test(Line $line, int $index, string $fault, \DateTimeImmutable $at, bool $signed): void
    {
        $section = $line->sections()->get()[$index];
        $test = $this->planSection->begin($section);
        $s = $test->context['segments'][0];
        $segment = new Segment($s['length_m'], $s['id_mm'] / 1000, $s['wall_mm'] / 1000, $s['e_mod_gpa'] * 1e9, $s['nu'], $s['restraint']);
        $pump = new PumpAndLogger(
            $segment,
            12,
            $test->context['gauge_target_kpa'] * 1000,
            max(10, $segment->volume() * 4) / 60000,
            $fault,
            $test->context['creep_m'],
        );
        $run = $pump->play($section->method->procedure()->standIn());
        $end = $at->modify('+'.ceil($run['rows'][\count($run['rows']) - 1][0]).' minutes');
        $this->readyToPump($test, $at);
        $facts = [
            [
                'log',
                [
                    'trace' => (string) Str::uuid(),
                    'part' => 0,
                    'final' => true,
                    'samples' => $run['rows'],
                    'source' => 'stand-in',
                    'started_at' => $at->format('Y-m-d\TH:i:sP'),
                ],
                $end,
            ],
            ['phases', $run['marks'], $end->modify('+3 minutes')],
            ['look', ['leak' => false], $end->modify('+5 minutes')],
        ];
        foreach ($facts as [$step, $value, $when]) {
            $this->fact($test, 'foreman', $step, $value, $when);
        }
        if ($signed) {
            $this->fact($test, 'engineer', 'sign-engineer', $this->signature($test), $end->modify('+40 minutes'));
            $this->fact($test, 'inspector', 'sign-inspector', ['signed' => true], $end->modify('+50 minutes'));
        }
    }

    /** @return array<string, mixed> a signature that confirms what its method has from memory */
    private function signature(PressureTest $test): array
    {
        $confirmed = array_keys(array_filter($test->procedure()->parameters, fn (Parameter $p) => $p->isFromMemory()));

        return ['signed' => true] + ($confirmed === [] ? [] : ['confirmed' => $confirmed]);
    }

    /** @param  array<string, mixed>  $value */
    private function fact(Subject $subject, string $role, string $step, array $value, \DateTimeImmutable $at): void
    {
        ($this->record)($subject, $this->people[$role], Role::from($role), [
            'id' => (string) Str::uuid(), 'step' => $step, 'value' => $value, 'recorded_at' => $at->format('Y-m-d\TH:i:sP'),
        ]);
    }

    /** @return list<array{float, float, float, float}> some 606 m with a high and two lows */
    public static function centreLine(): array
    {
        $line = [];
        [$e, $n] = [4180.0, 1120.0];
        for ($c = 0; $c <= 606; $c += $c < 600 ? 20 : 6) {
            $level = 98.0 + 3.2 * sin($c / 95) - 2.4 * cos($c / 260) + $c * 0.004;
            $line[] = [(float) $c, round($e, 3), round($n, 3), round($level, 3)];
            $heading = 0.5 + 0.35 * sin($c / 180);
            $step = $c < 600 ? 20 : 6;
            $e += $step * cos($heading);
            $n += $step * sin($heading);
        }

        return $line;
    }
}
