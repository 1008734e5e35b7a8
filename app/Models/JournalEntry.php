<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * What somebody did, or tried: who came in, what was refused, what was changed of plans and people.
 *
 * @property int $seq
 * @property string $at UTC
 * @property int|null $user_id
 * @property string $who the name as it was then; of who is not known, what was typed
 * @property string $what
 * @property array<string, string|int|null> $about
 * @property string|null $address
 */
class JournalEntry extends Model
{
    protected $table = 'journal';

    protected $primaryKey = 'seq';

    public $timestamps = false;

    protected $guarded = [];

    protected $casts = ['about' => 'array'];
}
