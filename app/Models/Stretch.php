<?php

namespace App\Models;

use App\Support\Say;
use Diastoma\Core\Procedure\Procedure;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A stretch of a line, or a point of it: what is recorded of bedding, backfill, levels, deliveries.
 *
 * @property string $line_id
 * @property string $procedure_hash
 * @property string $name
 * @property float $from_m
 * @property float|null $to_m null: a point
 * @property-read Line $ofLine
 * @property-read ProcedureText $procedureText
 */
class Stretch extends Subject
{
    /** @return array<string, string> */
    protected function casts(): array
    {
        return parent::casts() + ['from_m' => 'float', 'to_m' => 'float'];
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

    public function context(): array
    {
        $line = $this->ofLine;

        return $line->pipe + [
            'service' => $line->service,
            'time_zone' => $line->project->time_zone,
            'practice' => $line->project->practice,
            'begun_on' => $line->begun_on,
            'mdp_bar' => $line->mdp_bar,
            'from_m' => $this->from_m,
            'to_m' => $this->to_m ?? $this->from_m,
        ];
    }

    public function closed(): ?string
    {
        return $this->sealed_at === null ? null : Say::text('refused.stretchSealed', ['name' => $this->name]);
    }
}
