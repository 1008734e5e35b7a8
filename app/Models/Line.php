<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * @property string $id
 * @property int $project_id
 * @property string $name
 * @property string $service
 * @property array<string, mixed> $pipe material, dn_mm, od_mm, sdr, wall_mm, e_mod_gpa, nu, restraint
 * @property float $design_bar
 * @property float $mdp_bar
 * @property float $pipe_length_m
 * @property string|null $begun_on the day on which work begins, at the place; null: nobody said it
 * @property \Illuminate\Support\Carbon|null $corrected_at since when it has the pressures, the pipe and the procedure that it has
 * @property \Illuminate\Support\Carbon|null $archived_at out of the lists since then
 * @property string $procedure_hash
 * @property non-empty-list<array{float, float, float, float}> $centre_line
 * @property-read \Illuminate\Database\Eloquent\Collection<int, Joint> $joints
 * @property-read \Illuminate\Database\Eloquent\Collection<int, Section> $sections
 * @property-read \Illuminate\Database\Eloquent\Collection<int, Stretch> $stretches
 * @property-read Project $project
 * @property-read ProcedureText $procedureText
 */
class Line extends Model
{
    use HasUuids;

    protected $table = 'lines';

    protected $guarded = [];

    protected $casts = [
        'pipe' => 'array',
        'centre_line' => 'array',
        'design_bar' => 'float',
        'mdp_bar' => 'float',
        'pipe_length_m' => 'float',
        'archived_at' => 'datetime',
        'corrected_at' => 'datetime',
    ];

    /** @return BelongsTo<Project, $this> */
    public function project(): BelongsTo
    {
        return $this->belongsTo(Project::class);
    }

    /** @return BelongsTo<ProcedureText, $this> */
    public function procedureText(): BelongsTo
    {
        return $this->belongsTo(ProcedureText::class, 'procedure_hash', 'hash');
    }

    /** @return HasMany<Joint, $this> */
    public function joints(): HasMany
    {
        return $this->hasMany(Joint::class)->orderBy('chainage_m')->orderBy('number');
    }

    /** @return HasMany<Section, $this> */
    public function sections(): HasMany
    {
        return $this->hasMany(Section::class)->orderBy('from_m');
    }

    /** @return HasMany<Stretch, $this> */
    public function stretches(): HasMany
    {
        return $this->hasMany(Stretch::class)->orderBy('from_m')->orderBy('name');
    }

    public function length(): float
    {
        $points = $this->centre_line;

        return $points[\count($points) - 1][0] - $points[0][0];
    }
}
