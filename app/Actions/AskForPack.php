<?php

namespace App\Actions;

use App\Models\Line;
use App\Models\Pack;
use App\Models\PackKind;
use App\Models\PackState;
use App\Models\PressureTest;
use App\Models\User;
use Illuminate\Support\Facades\DB;

/** Asks for a file that is made in the background. Who asks for what is asked for already, waits with the other. */
final class AskForPack
{
    public function __invoke(PackKind $kind, Line $line, ?PressureTest $test, User $by): Pack
    {
        return DB::transaction(function () use ($kind, $line, $test, $by): Pack {
            // Of two who ask at once the second finds what the first asked for.
            Line::query()->lockForUpdate()->findOrFail($line->id);

            $asked = new Pack([
                'kind' => $kind, 'line_id' => $line->id, 'test_id' => $test?->id, 'units' => $by->units, 'user_id' => $by->id,
                'state' => PackState::Waiting, 'asked_at' => now(),
            ]);
            $known = $asked->like()->whereIn('state', [PackState::Waiting->value, PackState::Making->value])->first();
            if ($known === null) {
                $asked->save();
            }

            return $known ?? $asked->refresh();
        });
    }
}
