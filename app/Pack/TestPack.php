<?php

namespace App\Pack;

use App\Actions\HoldSeals;
use App\Actions\PlanSection;
use App\Models\PressureTest;
use App\Models\Section;
use App\Support\Say;
use Diastoma\Core\Units\UnitSystem;

/**
 * The sheets of a test pack. A long section is laid out in pieces, of which one stands in memory at a time: first what was
 * tested and how it went, then its joints, then what it stands on.
 *
 * @phpstan-import-type Held from HoldSeals
 */
final readonly class TestPack
{
    /** More joints than this are printed piece by piece. */
    public const AT_ONCE = 150;

    private Sheet $sheet;

    /** @param  Held|null  $chain  {@see Sheet} */
    public function __construct(private PressureTest $test, private UnitSystem $units, PlanSection $planning, ?array $chain = null)
    {
        $this->sheet = new Sheet($test, $units, $planning, $chain);
    }

    /** Nobody waits for it. */
    public static function isLong(Section $section): bool
    {
        return PlanSection::within($section)->count() > self::AT_ONCE;
    }

    /** How many pieces {@see pieces()} gives. */
    public function count(): int
    {
        $joints = PlanSection::within($this->test->section)->count();

        return $joints <= self::AT_ONCE ? 1 : 2 + (int) ceil($joints / self::AT_ONCE);
    }

    /**
     * @param  bool  $withJoints  false: they stand elsewhere in the book
     * @return \Generator<int, string> each a page of HTML of its own
     */
    public function pieces(bool $withJoints = true): \Generator
    {
        $says = $this->sheet->all();
        $joints = PlanSection::within($this->test->section)->with('procedureText');
        $count = $joints->count();
        $rows = new JointRows($this->test->line(), $this->units);
        if (! $withJoints || $count <= self::AT_ONCE) {
            $heading = Say::text('pack.joints', ['count' => $count]);
            $middle = $withJoints ? ['test.joints'] : [];
            $shown = $withJoints ? $rows->of($joints->lazy(self::AT_ONCE)) : [];
            yield $this->page($says + ['joints' => $shown, 'heading' => $heading], ['test.front', ...$middle, 'test.back']);

            return;
        }
        yield $this->page($says, ['test.front']);
        for ($first = 0; $first < $count; $first += self::AT_ONCE) {
            $heading = Say::text('pack.jointsOf', ['from' => $first + 1, 'to' => min($count, $first + self::AT_ONCE), 'count' => $count]);
            $some = $rows->of((clone $joints)->offset($first)->limit(self::AT_ONCE)->get());
            yield $this->page($says + ['joints' => $some, 'heading' => $heading], ['test.joints']);
        }
        yield $this->page($says, ['test.back']);
    }

    /**
     * @param  array<string, mixed>  $says
     * @param  list<string>  $parts
     */
    private function page(array $says, array $parts): string
    {
        $line = $this->test->line();

        return view('pack.paper', [
            'title' => "{$says['title']}, {$line->name}",
            'left' => implode(' · ', [
                $line->name, $this->test->section->name, Say::text('pack.testNumber', ['number' => $this->test->number]),
            ]),
            'right' => $line->project->name,
            'practice' => $line->project->practice,
            'parts' => $parts,
        ] + array_diff_key($says, ['title' => true]) + ['heading' => '', 'joints' => []] + ['testTitle' => $says['title']])->render();
    }
}
