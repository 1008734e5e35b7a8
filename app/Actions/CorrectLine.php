<?php

namespace App\Actions;

use App\Models\Joint;
use App\Models\Line;
use App\Models\Pipe;
use App\Models\PressureTest;
use App\Models\ProcedureText;
use App\Models\Section;
use App\Models\Stretch;
use App\Models\Subject;
use App\Pack\PipeInWords;
use App\Support\Say;
use Diastoma\Core\Pipe\PipeSize;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\UnitSystem;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Carbon;

/**
 * Pressures, pipe and procedure of a line, for what is still to come: joints that were begun keep the pipe and the procedure that
 * they were begun with, pipes of which somebody has said anything stay what they are, and tests what they were pumped for.
 *
 * @phpstan-import-type Change from ChangesOfLine
 *
 * @phpstan-type Corrected array{
 *     design_bar?: float|null, mdp_bar?: float|null, pipe?: array<string, mixed>|null, procedure_hash?: string|null
 * }
 */
final readonly class CorrectLine
{
    /** A pressure that is as much more is another one, kPa: plans are worked out anew, and not to the last bit alike. */
    private const SAME_KPA = 0.01;

    public function __construct(
        private PipeSize $sizes,
        private ReplanPipes $replan,
        private PlanSection $plan,
        private JudgeSubject $judge,
    ) {
    }

    /**
     * @param  Line  $line  locked by who calls; changed, and not yet stored
     * @param  Corrected  $asked
     * @return list<Change>
     */
    public function __invoke(Line $line, array $asked): array
    {
        $changes = [...$this->pressures($line, $asked), ...$this->pipe($line, $asked), ...$this->procedure($line, $asked)];
        if ($changes !== []) {
            $line->corrected_at = Carbon::now();
            $line->save();
            $this->holdTests($line);
            $this->judgeWhatIsOpen($line);
        }

        return $changes;
    }

    /**
     * @param  Corrected  $asked
     * @return list<Change>
     */
    private function pressures(Line $line, array $asked): array
    {
        $changes = [];
        foreach (['design_bar', 'mdp_bar'] as $key) {
            $before = $line->$key;
            $after = $asked[$key] ?? $before;
            if ($after !== $before) {
                $line->$key = $after;
                $changes[] = ['key' => $key, 'before' => $before, 'after' => $after];
            }
        }
        if ($line->mdp_bar < $line->design_bar) {
            throw Refused::field(
                'mdp_bar',
                Say::text('refused.mdpBelowDesign', ['mdp' => $line->mdp_bar, 'design' => $line->design_bar]),
            );
        }

        return $changes;
    }

    /**
     * @param  Corrected  $asked
     * @return list<Change>
     */
    private function pipe(Line $line, array $asked): array
    {
        $before = $line->pipe;
        $after = ($asked['pipe'] ?? null) === null ? $before : $this->sizes->of($asked['pipe'], $line->service);
        if ($after == $before) {
            return [];
        }
        $line->pipe = $after;
        // A new procedure that suits it may come with it.
        $this->joints($line, $asked)->mustSuit($after, $line->service, isset($asked['procedure_hash']) ? 'procedure_hash' : 'material');
        foreach (Section::query()->where('line_id', $line->id)->doesntHave('tests')->with('method')->get() as $section) {
            $section->method->mustSuit($after, $line->service, 'material');
        }
        $this->replan->onlyPlanned($line)->update(['size' => json_encode($after, JSON_PRESERVE_ZERO_FRACTION | JSON_THROW_ON_ERROR)]);

        return [
            ['key' => 'pipe', 'before' => $before, 'after' => $after],
            [
                'key' => 'pipe_in_words', 'before' => PipeInWords::of($before, UnitSystem::Metric),
                'after' => PipeInWords::of($after, UnitSystem::Metric),
            ],
        ];
    }

    /**
     * @param  Corrected  $asked
     * @return list<Change>
     */
    private function procedure(Line $line, array $asked): array
    {
        $before = $line->procedureText;
        $after = $this->joints($line, $asked);
        if ($after->hash === $before->hash) {
            return [];
        }
        $after->mustSuit($line->pipe, $line->service, 'procedure_hash');
        $own = fn (): Builder => Joint::query()->where('line_id', $line->id)->where('place', 'in-line');
        // What was begun goes on by the text that it was begun with, and each joint says which is its own: who records at one in
        // the same moment sees that it has another now.
        $own()->whereNull('procedure_hash')->where('state', '!=', 'planned')->update(['procedure_hash' => $before->hash]);
        $steps = $after->procedure()->steps;
        $own()->where(fn (Builder $q) => $q->whereNull('procedure_hash')->orWhere('procedure_hash', $before->hash))
            ->where('state', 'planned')
            ->update([
                'procedure_hash' => $after->hash, 'next_step' => $steps[0]->key(),
                'total' => \count(array_filter($steps, fn ($s) => ! $s->optional)),
            ]);
        $line->procedure_hash = $after->hash;
        $line->setRelation('procedureText', $after);

        return [
            ['key' => 'procedure_hash', 'before' => $before->hash, 'after' => $after->hash],
            ['key' => 'procedure', 'before' => $before->title, 'after' => $after->title],
        ];
    }

    /** @param  Corrected  $asked */
    private function joints(Line $line, array $asked): ProcedureText
    {
        $hash = $asked['procedure_hash'] ?? $line->procedure_hash;
        if ($hash === $line->procedure_hash) {
            return $line->procedureText;
        }
        $text = ProcedureText::usableIn([$line->project_id])->where('family', 'joint')->find($hash);
        if ($text === null || $text->place() !== 'in-line') {
            throw Refused::field('procedure_hash', Say::text('refused.chooseForJoints'));
        }

        return $text;
    }

    /** What is not signed yet is judged by what the line is known to be now. */
    private function judgeWhatIsOpen(Line $line): void
    {
        $open = [
            ...Joint::query()->where('line_id', $line->id)->whereIn('state', ['begun', 'made'])->whereNull('sealed_at')
                ->with(['ofLine', 'procedureText'])->get()->filter(fn (Joint $joint) => $joint->procedure()->asks('mdp_bar')),
            ...Stretch::query()->where('line_id', $line->id)->whereIn('state', ['begun', 'made'])->whereNull('sealed_at')
                ->with(['ofLine', 'procedureText'])->get(),
        ];
        array_map(fn (Subject $subject) => ($this->judge)($subject), $open);
    }

    /** Of each test whether its section asks for more now than it was pumped for. */
    private function holdTests(Line $line): void
    {
        foreach (Section::query()->where('line_id', $line->id)->has('tests')->with(['tests', 'method'])->get() as $section) {
            $section->setRelation('line', $line);
            $asked = $section->method->procedure()->asks(PlanSection::AT_GAUGE) ? $this->plan->plan($section)['stp_kpa'] : 0;
            $section->tests->each(fn (PressureTest $test) => $test->update([
                'asked_kpa' => $asked > ($test->context['stp_kpa'] ?? 0) + self::SAME_KPA ? round($asked, 3) : null,
            ]));
        }
    }
}
