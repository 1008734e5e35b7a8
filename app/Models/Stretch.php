<?php

namespace App\Models;

use App\Laying\LayOut;
use App\Support\Say;
use Diastoma\Core\Procedure\Procedure;
use Diastoma\Core\Procedure\Tells\Clock;
use Diastoma\Core\Seal\Statement;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A stretch of a line, or a point of it: what is recorded of bedding, backfill, levels, deliveries.
 *
 * @property string $line_id
 * @property string $procedure_hash
 * @property string $name
 * @property float $from_m
 * @property float|null $to_m null: a point
 * @property string|null $covered_from since when its joints are covered, by this record; ISO 8601
 * @property string|null $bare_from since when they lie bare again, by this record
 * @property list<array{what: string, batch: string}>|null $batches that came with it, of a delivery
 * @property-read Line $ofLine
 * @property-read ProcedureText $procedureText
 */
class Stretch extends Subject
{
    protected $table = 'stretches';

    /** Place of a procedure: its record is of the line as a whole. */
    public const OF_LINE = 'line';

    /** So far beside it the line is looked at: no pipe is longer, m. */
    private const BESIDE_M = 25.0;

    /** Chainages are kept to the millimetre. */
    private const SAME_PLACE_M = 0.0005;

    /** @return array<string, string> */
    protected function casts(): array
    {
        return parent::casts() + ['from_m' => 'float', 'to_m' => 'float', 'batches' => 'array'];
    }

    /** @return BelongsTo<Line, $this> */
    public function ofLine(): BelongsTo
    {
        return $this->belongsTo(Line::class, 'line_id');
    }

    /** @return BelongsTo<ProcedureText, $this> */
    public function procedureText(): BelongsTo
    {
        return $this->belongsTo(ProcedureText::class, 'procedure_hash', 'hash');
    }

    public function line(): Line
    {
        return $this->ofLine;
    }

    public function procedure(): Procedure
    {
        return $this->procedureText->procedure();
    }

    public function name(): string
    {
        return $this->name;
    }

    public function reaches(float $chainage): bool
    {
        return $chainage >= $this->from_m - self::SAME_PLACE_M && $chainage <= ($this->to_m ?? $this->from_m) + self::SAME_PLACE_M;
    }

    /** @return Builder<Joint> that lie in it and were not cut out, from its beginning */
    public function jointsWithin(): Builder
    {
        return Joint::query()
            ->where('line_id', $this->line_id)
            ->where('state', '!=', 'cut-out')
            ->whereBetween('chainage_m', [$this->from_m - self::SAME_PLACE_M, ($this->to_m ?? $this->from_m) + self::SAME_PLACE_M])
            ->orderBy('chainage_m')
            ->orderBy('number');
    }

    public function context(): array
    {
        $line = $this->ofLine;
        $asks = $this->procedure()->asks(...);

        $limit = $asks('joint_limit_deg') ? ['joint_limit_deg' => LayOut::turns($line)['limit_deg'] ?? null] : [];

        return $this->asSealed($line->pipe + ['mdp_bar' => $line->mdp_bar] + $limit) + [
            'service' => $line->service,
            'time_zone' => $line->project->time_zone,
            'practice' => $line->project->practice,
            'begun_on' => $line->begun_on,
            'from_m' => $this->from_m,
            'to_m' => $this->to_m ?? $this->from_m,
        ] + ($asks('joints') ? ['joints' => $this->jointsAsJudged()] : [])
          + ($asks('profile') ? ['profile' => $this->profile()] : [])
          + ($asks('centre_line') ? ['centre_line' => $this->centreLine()] : [])
          + ($asks('pipe_ends_m') ? ['pipe_ends_m' => $this->pipeEnds()] : [])
          + ($asks('bends_m') ? ['bends_m' => $this->bends()] : [])
          + ($asks('delivered') ? ['delivered' => $this->deliveredBefore()] : []);
    }

    /**
     * How its joints stood when it was sealed, or stand now: one that is cut out later was covered all the same.
     *
     * @return list<mixed>
     */
    private function jointsAsJudged(): array
    {
        if ($this->sealed_at !== null) {
            $seal = Seal::query()->where('subject_type', $this->getMorphClass())->where('subject_id', $this->id)->first();
            $knew = Statement::read((string) $seal?->statement)->says['judged_with']['joints'] ?? null;
            if (\is_array($knew)) {
                return array_values($knew);
            }
        }

        return array_values(
            $this->jointsWithin()
                ->get()
                ->map(fn (Joint $j) => array_filter([
                    'number' => $j->number,
                    'made' => \in_array($j->state, ['made', 'accepted'], true),
                    'verdict' => $j->soundness(),
                    'cover_from' => $j->clocks[Clock::COVER] ?? null,
                ], fn (mixed $known) => $known !== null))
                ->all(),
        );
    }

    /** @return list<array{float, float}> planned levels of the line: chainage, m; level, m */
    private function profile(): array
    {
        return array_map(fn (array $point): array => [$point[0], $point[3]], $this->ofLine->centre_line);
    }

    /** @return list<array{float, float, float, float}> the line about the stretch: its points there, and one more to both sides */
    private function centreLine(): array
    {
        $points = $this->ofLine->centre_line;
        [$from, $to] = $this->about();
        $kept = [];
        foreach ($points as $i => $point) {
            if (($points[$i + 1] ?? $point)[0] >= $from && ($points[$i - 1] ?? $point)[0] <= $to) {
                $kept[] = $point;
            }
        }

        return $kept;
    }

    /** @return list<float> chainages, m: joints of the line about the stretch, and the ends of the line */
    private function pipeEnds(): array
    {
        [$from, $to] = $this->about();
        $joints = Joint::query()
            ->where('line_id', $this->line_id)
            ->where('place', 'in-line')
            ->where('state', '!=', 'cut-out')
            ->whereBetween('chainage_m', [$from, $to])
            ->orderBy('chainage_m')
            ->pluck('chainage_m')
            ->all();
        $points = $this->ofLine->centre_line;
        $ends = [...$joints, $points[0][0], $points[\count($points) - 1][0]];

        return array_values(array_filter($ends, fn (float $at): bool => $at >= $from && $at <= $to));
    }

    /** @return list<float> chainages of the corners, m */
    private function bends(): array
    {
        return array_values(
            Pipe::query()->where('line_id', $this->line_id)->whereNotNull('bend')->get()
                ->map(fn (Pipe $pipe): ?float => $pipe->bend()?->at)->filter(fn (?float $at): bool => $at !== null)->all(),
        );
    }

    /** @return array{float, float} the stretch, and a pipe more to both sides, m */
    private function about(): array
    {
        return [$this->from_m - self::BESIDE_M, ($this->to_m ?? $this->from_m) + self::BESIDE_M];
    }

    /** @return list<array{number: string, with: string}> pipes that came with other deliveries */
    private function deliveredBefore(): array
    {
        return array_values(
            Pipe::query()
                ->with('cameWith')
                ->where('line_id', $this->line_id)
                ->whereNotNull('delivery_id')
                ->where('delivery_id', '!=', $this->id)
                ->orderBy('number')
                ->get()
                ->map(fn (Pipe $p) => ['number' => $p->number, 'with' => $p->cameWith->name ?? ''])
                ->all(),
        );
    }

    public function closed(): ?string
    {
        return $this->sealed_at === null ? null : Say::text('refused.stretchSealed', ['name' => $this->name]);
    }
}
