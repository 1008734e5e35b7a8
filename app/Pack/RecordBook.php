<?php

namespace App\Pack;

use App\Actions\ChangesOfLine;
use App\Actions\HoldSeals;
use App\Actions\PlanSection;
use App\Models\Fact;
use App\Models\Joint;
use App\Models\Line;
use App\Models\PressureTest;
use App\Models\ProcedureText;
use App\Models\Seal;
use App\Models\Section;
use App\Models\Stretch;
use App\Models\Subject;
use App\Support\Say;
use Diastoma\Core\Laying\CentreLine;
use Diastoma\Core\Procedure\Words;
use Diastoma\Core\Units\Display;
use Diastoma\Core\Units\UnitSystem;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Relations\Relation;

/**
 * All that is on record of a line, as a book: what it is and how it stands, each joint with all that was recorded of it, its
 * tests, deliveries, days and coverings, and the chain of its seals. Laid out piece by piece, so that the number of joints is
 * not limited by the memory.
 *
 * @phpstan-import-type Held from HoldSeals
 */
final class RecordBook
{
    /** Joints and other records in one piece. */
    private const SUBJECTS = 12;

    private const SEALS = 400;

    /** Joints in one line of the table of contents. */
    private const IN_CONTENTS = 120;

    /** More numbers than this are not listed, they are counted. */
    private const MOST_NAMED = 40;

    private readonly Binder $binder;

    private readonly Pictures $pictures;

    private readonly Words $words;

    private readonly \DateTimeZone $zone;

    /** @var list<array{string, int, bool}> what, on which page, whether it is a chapter */
    private array $contents = [];

    private int $done = 0;

    private ?int $total = null;

    /** @var Held|null */
    private ?array $chain = null;

    /**
     * @param  string  $folder  empty, for what lies there until the book is bound
     * @param  \Closure(int, int): void  $progress  pieces done, of how many
     */
    public function __construct(
        private readonly Line $line,
        private readonly UnitSystem $units,
        private readonly \DateTimeImmutable $asOf,
        string $folder,
        private readonly \Closure $progress,
        private readonly PlanSection $planning,
    ) {
        $this->zone = new \DateTimeZone($line->project->time_zone);
        $this->binder = new Binder($folder);
        $this->pictures = new Pictures($folder, $this->zone);
        $this->words = new Words($units, $this->zone);
    }

    /** How many pieces it has. */
    public function count(): int
    {
        return $this->total ??= $this->counted();
    }

    private function counted(): int
    {
        $subjects = fn (Builder $of): int => (int) ceil($of->count() / self::SUBJECTS);

        return 2 + $subjects($this->joints()) + $subjects($this->stretches()) + $this->tests()->count()
            + max(1, (int) ceil($this->seals()->count() / self::SEALS));
    }

    public function write(string $into): void
    {
        $this->chapter('pack.book.theLine');
        $this->piece(['book.line'], $this->ofLine());
        $this->chapter('pack.book.procedures');
        $this->piece(['book.procedures'], ['procedures' => $this->procedures()]);
        $this->subjects($this->joints(), 'pack.book.joints');
        foreach ($this->tests()->lazy(1) as $i => $test) {
            if ($i === 0) {
                $this->chapter('pack.book.tests');
            }
            $this->contents[] = [$test->name(), $this->binder->next(), false];
            foreach ((new TestPack($test, $this->units, $this->planning, $this->chain()))->pieces(withJoints: false) as $html) {
                $this->bound($html);
            }
        }
        $this->subjects($this->stretches(), 'pack.book.records');
        $this->ofSeals();
        $this->binder->bind($into, $this->page(['book.front'], $this->front()));
    }

    private function chapter(string $text): void
    {
        $this->contents[] = [Say::text($text), $this->binder->next(), true];
    }

    /** @param  Builder<covariant Subject>  $all */
    private function subjects(Builder $all, string $chapter): void
    {
        $sheet = new SubjectSheet($this->units, $this->pictures, $this->line->project->time_zone);
        $count = $all->count();
        for ($first = 0; $first < $count; $first += self::SUBJECTS) {
            if ($first === 0) {
                $this->chapter($chapter);
            }
            $some = (clone $all)->with('procedureText')->offset($first)->limit(self::SUBJECTS)->get();
            $some->each(fn (Subject $one) => $one->setRelation('ofLine', $this->line));
            if ($first % self::IN_CONTENTS === 0) {
                $this->contents[] = [$some->first()?->name() ?? '', $this->binder->next(), false];
            }
            $this->piece(['book.subjects'], [
                'heading' => $first === 0 ? Say::text($chapter) : null,
                'words' => $this->words,
                'subjects' => array_values($some->map($sheet->of(...))->all()),
            ]);
            $this->pictures->clear();
        }
    }

    /** @return Held held once, for all that speaks of it */
    private function chain(): array
    {
        return $this->chain ??= HoldSeals::allOf($this->line);
    }

    private function ofSeals(): void
    {
        $this->chapter('pack.book.seals');
        $says = [
            'heading' => Say::text('pack.book.seals'),
            'chain' => Chain::said($this->chain(), $this->words),
            'head' => Head::said($this->line),
        ];
        $count = $this->seals()->count();
        for ($first = 0; $first === 0 || $first < $count; $first += self::SEALS) {
            $some = $this->seals()->with('user')->offset($first)->limit(self::SEALS)->get();
            $isLast = $first + self::SEALS >= $count;
            $rows = ['seals' => $this->sealRows($some, $first), 'ends' => $isLast];
            $this->piece(['book.seals'], $rows + ($first === 0 ? $says : []), $isLast);
        }
    }

    /**
     * @param  iterable<Seal>  $seals
     * @return list<array<string, string>>
     */
    private function sealRows(iterable $seals, int $before): array
    {
        $rows = [];
        foreach ($seals as $seal) {
            $rows[] = [
                'position' => (string) ++$before,
                'what' => $this->sealed($seal),
                'verdict' => $seal->verdict,
                'at' => $this->words->moment("{$seal->sealed_at}Z"),
                'by' => $seal->user->name ?? '',
                'hash' => Head::inGroups(substr($seal->hash, 0, 16)),
            ];
        }

        return $rows;
    }

    private function sealed(Seal $seal): string
    {
        $model = Relation::getMorphedModel($seal->subject_type);
        $subject = $model === null ? null : $model::query()->find($seal->subject_id);

        return $subject instanceof Subject ? $subject->name() : Say::text("pack.book.sealOf.{$seal->subject_type}");
    }

    /** @return array<string, mixed> */
    private function ofLine(): array
    {
        $centre = new CentreLine($this->line->centre_line);
        $chainages = array_map(fn (array $point): float => (float) $point[0], $this->line->centre_line);
        $joints = array_map(floatval(...), $this->joints()->where('state', '!=', 'cut-out')->toBase()->pluck('chainage_m')->all());

        return [
            'map' => (new PlanOfSection($centre, $chainages, array_values($joints), null, $this->length(...)))->draw(),
            'sections' => array_values($this->line->sections->map(fn (Section $s) => [
                'name' => $s->name,
                'from' => $this->length($s->from_m),
                'to' => $this->length($s->to_m),
                'method' => $s->method->title,
            ])->all()),
            'changes' => array_map(fn (array $changed): array => [
                'at' => $this->words->moment("{$changed['at']}Z"),
                'says' => ChangesOfLine::said($changed),
                'reason' => $changed['reason'],
                'by' => $changed['by'],
            ], (new ChangesOfLine($this->line))->all()),
            'people' => People::at($this->facts()),
        ];
    }

    /** @return list<array<string, mixed>> of all by which something on this line is judged */
    private function procedures(): array
    {
        $texts = ProcedureText::query()
            ->whereIn('hash', ProcedureText::ofLine($this->line))
            ->orderBy('title')
            ->orderBy('version')
            ->get();

        return array_values($texts->map(fn (ProcedureText $text) => [
            'title' => Say::text('pack.methodVersion', ['title' => $text->title, 'version' => $text->version]),
            'hash' => Head::inGroups($text->hash),
            'limits' => Limits::of($text->procedure(), $this->units),
        ])->all());
    }

    /** @return array<string, mixed> the title page, and where everything stands */
    private function front(): array
    {
        $project = $this->line->project;
        $stated = fn (string $text): string => $text === '' ? Say::text('pack.notStated') : $text;

        return [
            'about' => [
                [Say::text('pack.client'), $stated($project->client)],
                [Say::text('pack.contractor'), $stated($project->contractor)],
                [Say::text('pack.project'), $project->name.($project->place === '' ? '' : ", {$project->place}")],
                [Say::text('pack.line'), "{$this->line->name}, {$this->line->service}"],
                [Say::text('pack.pipe'), PipeInWords::of($this->line->pipe, $this->units)],
                [Say::text('pack.book.length'), $this->length($this->line->length())],
                [Say::text('pack.book.asOf'), $this->words->moment($this->asOf->format(DATE_ATOM))],
                [Say::text('pack.book.pages'), (string) $this->binder->pages()],
            ],
            'standing' => $this->standing(),
            'contents' => $this->contents,
            'head' => Head::said($this->line),
        ];
    }

    /** @return list<string> how the joints and tests stand, what is not as it should be first */
    private function standing(): array
    {
        $joints = $this->joints();
        $in = fn (Builder $some): Builder => $some->where('state', '!=', 'cut-out');
        $bad = $in(clone $joints)->where('verdict', 'bad');
        $unaccepted = $in(clone $joints)->where('state', '!=', 'accepted')->where('verdict', '!=', 'bad');
        $accepted = $in(clone $joints)->where('state', 'accepted')->count();
        $tests = $this->tests()->where('state', 'accepted')->count();
        $outgrown = $this->tests()->whereNotNull('asked_kpa')->count();

        return array_values(array_filter([
            $this->named('pack.book.bad', $bad),
            $this->named('pack.book.notAccepted', $unaccepted),
            $this->named('pack.book.wereCutOut', (clone $joints)->where('state', 'cut-out')),
            Say::text('pack.book.accepted', ['count' => $accepted, 'of' => $in(clone $joints)->count()]),
            Say::text('pack.book.testsAccepted', ['count' => $tests, 'of' => $this->tests()->count()]),
            $outgrown === 0 ? null : Say::text('pack.book.moreAskedSince', ['count' => $outgrown]),
            Say::text('pack.book.recordsCount', ['count' => $this->stretches()->count()]),
        ]));
    }

    /** @param  Builder<Joint>  $joints */
    private function named(string $text, Builder $joints): ?string
    {
        $count = $joints->count();
        if ($count === 0) {
            return null;
        }
        $numbers = $joints->limit(self::MOST_NAMED)->pluck('number')->all();
        $more = $count - \count($numbers);

        return Say::text($text, [
            'count' => $count,
            'numbers' => implode(', ', $numbers).($more > 0 ? ' '.Say::text('pack.book.andMore', ['count' => $more]) : ''),
        ]);
    }

    /**
     * @param  list<string>  $parts
     * @param  array<string, mixed>  $says
     */
    private function piece(array $parts, array $says, bool $ends = false): void
    {
        $this->bound($this->page($parts, $says), $ends);
    }

    private function bound(string $html, bool $ends = false): void
    {
        $this->binder->add($html, $ends);
        ($this->progress)(++$this->done, $this->count());
    }

    /**
     * @param  list<string>  $parts
     * @param  array<string, mixed>  $says
     */
    private function page(array $parts, array $says): string
    {
        return view('pack.paper', [
            'title' => Say::text('pack.book.titleOf', ['line' => $this->line->name]),
            'left' => "{$this->line->name} · ".Say::text('pack.book.title'),
            'right' => $this->line->project->name,
            'practice' => $this->line->project->practice,
            'parts' => $parts,
        ] + $says)->render();
    }

    /** @return Builder<Joint> */
    private function joints(): Builder
    {
        return Joint::query()->where('line_id', $this->line->id)->orderBy('chainage_m')->orderBy('number')->orderBy('id');
    }

    /** @return Builder<Stretch> */
    private function stretches(): Builder
    {
        return Stretch::query()->where('line_id', $this->line->id)->orderBy('procedure_hash')->orderBy('created_at')->orderBy('id');
    }

    /** @return Builder<PressureTest> */
    private function tests(): Builder
    {
        return PressureTest::query()
            ->with(['section.line.project', 'section.method'])
            ->whereIn('section_id', $this->line->sections->pluck('id'))
            ->orderBy('section_id')
            ->orderBy('number');
    }

    /** @return Builder<Seal> */
    private function seals(): Builder
    {
        return Seal::query()->where('line_id', $this->line->id)->orderBy('seq');
    }

    /** @return Builder<Fact> */
    private function facts(): Builder
    {
        return Fact::query()->where(function (Builder $any): void {
            foreach ([$this->joints(), $this->tests(), $this->stretches()] as $of) {
                $any->orWhere(fn (Builder $facts) => $facts
                    ->where('facts.subject_type', $of->getModel()->getMorphClass())
                    ->whereIn('facts.subject_id', $of->reorder()->select('id')));
            }
        });
    }

    private function length(float $m): string
    {
        return Display::value('x_m', $m, 1, $this->units);
    }
}
