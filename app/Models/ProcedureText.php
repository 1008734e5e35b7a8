<?php

namespace App\Models;

use Diastoma\Core\Procedure\Procedure;
use Illuminate\Database\Eloquent\Model;

/**
 * The frozen text of a procedure or test method, by its content hash. Never changed.
 *
 * @property string $hash
 * @property int|null $project_id
 * @property string $key
 * @property string $version
 * @property string $title
 * @property string $family
 * @property string $joint_type
 * @property string $body
 */
class ProcedureText extends Model
{
    protected $table = 'procedures';

    protected $primaryKey = 'hash';

    protected $keyType = 'string';

    public $incrementing = false;

    protected $guarded = [];

    public function procedure(): Procedure
    {
        static $read = [];

        return $read[$this->hash] ??= Procedure::frozen(json_decode($this->body, true, 64, JSON_THROW_ON_ERROR), $this->hash);
    }

    public static function freeze(Procedure $procedure, ?int $projectId = null, ?int $by = null): self
    {
        return self::query()->firstOrCreate(['hash' => $procedure->hash], [
            'project_id' => $projectId, 'key' => $procedure->id, 'version' => $procedure->version, 'title' => $procedure->title,
            'family' => $procedure->raw['family'] ?? 'joint', 'joint_type' => $procedure->jointType,
            'body' => json_encode($procedure->raw, JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION | JSON_THROW_ON_ERROR), 'loaded_by' => $by,
        ]);
    }
}
