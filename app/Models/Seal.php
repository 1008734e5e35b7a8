<?php

namespace App\Models;

use App\Support\Say;
use Diastoma\Core\Seal\Statement;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A signature over all facts of a subject, chained to the seal before it on the same line.
 *
 * @property int $seq
 * @property string $line_id
 * @property string $subject_type
 * @property string $subject_id
 * @property string $facts_hash
 * @property string $procedure_hash
 * @property string $verdict
 * @property string $previous
 * @property string $hash
 * @property int $user_id
 * @property string $sealed_at
 * @property string|null $statement what it says, canonical; null: a seal of the form before, which is not signed
 * @property string|null $signature
 * @property string|null $public_key
 * @property-read User|null $user
 */
class Seal extends Model
{
    protected $table = 'seals';

    protected $primaryKey = 'seq';

    public $timestamps = false;

    protected $guarded = [];

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** That who signed made it alone, which the project allowed; null: somebody else had a hand in it. */
    public function sayAlone(): ?string
    {
        $signer = Statement::read((string) $this->statement)->says['signer'] ?? [];

        return ($signer['made_it_alone'] ?? false) === true ? Say::text('pack.acceptedAlone', ['name' => $signer['name']]) : null;
    }

    public static function hashOf(string $previous, string $factsHash, string $procedureHash, string $verdict, string $at): string
    {
        return hash('sha256', implode('|', [$previous, $factsHash, $procedureHash, $verdict, $at]));
    }
}
