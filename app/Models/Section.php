<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * @property string $id
 * @property string $line_id
 * @property string $name
 * @property float $from_m
 * @property float $to_m
 * @property string $method_hash
 * @property array<string, mixed> $ask
 * @property-read \Illuminate\Database\Eloquent\Collection<int, PressureTest> $tests
 * @property-read Line $line
 * @property-read ProcedureText $method
 */
class Section extends Model
{
    use HasUuids;

    protected $table = 'sections';

    protected $guarded = [];

    protected $casts = ['ask' => 'array', 'from_m' => 'float', 'to_m' => 'float'];

    /** @return BelongsTo<Line, $this> */
    public function line(): BelongsTo
    {
        return $this->belongsTo(Line::class);
    }

    /** @return BelongsTo<ProcedureText, $this> */
    public function method(): BelongsTo
    {
        return $this->belongsTo(ProcedureText::class, 'method_hash', 'hash');
    }

    /** @return HasMany<PressureTest, $this> */
    public function tests(): HasMany
    {
        return $this->hasMany(PressureTest::class)->orderBy('number');
    }
}
