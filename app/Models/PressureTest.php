<?php

namespace App\Models;

use App\Actions\PlanSection;
use Diastoma\Core\Procedure\Procedure;
use Diastoma\Core\Procedure\Tells\Clock;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * One run of a test on a section. `context` freezes what the plan said when it began.
 *
 * @property string $section_id
 * @property int $number
 * @property array<string, mixed> $context
 * @property-read Section $section
 */
class PressureTest extends Subject
{
    /** @return array<string, string> */
    protected function casts(): array
    {
        return parent::casts() + ['context' => 'array'];
    }

    /** @return BelongsTo<Section, $this> */
    public function section(): BelongsTo
    {
        return $this->belongsTo(Section::class);
    }

    public function line(): Line
    {
        return $this->section->line;
    }

    public function procedure(): Procedure
    {
        return $this->section->method->procedure();
    }

    public function name(): string
    {
        return "{$this->section->name}, test {$this->number}";
    }

    public function context(): array
    {
        return ['practice' => $this->line()->project->practice, 'test_from' => $this->coldFrom()] + $this->context;
    }

    /** When the last of its joints is cold enough for pressure; null where no joint has such a time. */
    private function coldFrom(): ?string
    {
        return app(PlanSection::class)
            ->joints($this->section)
            ->map(fn (Joint $j) => $j->clocks[Clock::TEST] ?? null)
            ->filter()
            ->sortBy(fn (string $at) => new \DateTimeImmutable($at))
            ->last();
    }

    public function holdsUpSignature(): array
    {
        return app(PlanSection::class)->plan($this->section)['missing'];
    }

    public function closed(): ?string
    {
        return $this->sealed_at === null ? null : "Test {$this->number} is signed and sealed.";
    }
}
