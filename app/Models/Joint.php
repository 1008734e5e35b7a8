<?php

namespace App\Models;

use Diastoma\Core\Procedure\Procedure;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * @property string $line_id
 * @property string $number
 * @property float $chainage_m
 * @property string|null $replaces_id
 * @property \Illuminate\Support\Carbon|null $cut_out_at
 * @property string|null $cut_out_reason
 * @property array{a: string, b: string}|null $pipes numbers of the two pipes, planned or recorded
 * @property-read Line $ofLine
 */
class Joint extends Subject
{
    /** @return array<string, string> */
    protected function casts(): array
    {
        return parent::casts() + ['pipes' => 'array', 'cut_out_at' => 'datetime'];
    }

    /** @return BelongsTo<Line, $this> */
    public function ofLine(): BelongsTo
    {
        return $this->belongsTo(Line::class, 'line_id');
    }

    public function line(): Line
    {
        return $this->ofLine;
    }

    public function procedure(): Procedure
    {
        return $this->ofLine->procedureText->procedure();
    }

    public function context(): array
    {
        $line = $this->ofLine;
        $pipes = $this->pipes ?? ['a' => 'laid', 'b' => 'new'];

        return $line->pipe + [
            'service' => $line->service, 'time_zone' => $line->project->time_zone, 'mdp_bar' => $line->mdp_bar,
            'sides' => ['a' => "pipe {$pipes['a']}", 'b' => "pipe {$pipes['b']}"],
        ];
    }

    public function closed(): ?string
    {
        return match (true) {
            $this->cut_out_at !== null => "Joint {$this->number} is cut out; nothing more is recorded on it.",
            $this->sealed_at !== null => "Joint {$this->number} is signed and sealed; it can only be cut out.",
            default => null,
        };
    }
}
