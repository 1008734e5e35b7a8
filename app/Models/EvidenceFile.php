<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\MorphTo;

/**
 * Readings of a file, as they were recorded somewhere.
 *
 * @property string $fact_id
 * @property string $subject_type
 * @property string $subject_id
 * @property string $readings_hash
 * @property-read Subject|null $subject
 */
class EvidenceFile extends Model
{
    protected $table = 'evidence';

    protected $primaryKey = 'fact_id';

    protected $keyType = 'string';

    public $incrementing = false;

    public $timestamps = false;

    protected $guarded = [];

    /** @return MorphTo<Model, $this> */
    public function subject(): MorphTo
    {
        return $this->morphTo();
    }

    /** @param  list<list<int|float>>  $samples */
    public static function hashOf(array $samples): string
    {
        return hash('sha256', (string) json_encode(array_map(fn (array $row) => array_map(floatval(...), $row), $samples)));
    }
}
