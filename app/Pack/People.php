<?php

namespace App\Pack;

use App\Models\Fact;
use Illuminate\Database\Eloquent\Builder;

/** Who recorded, in which role, and how often. */
final class People
{
    /**
     * @param  Builder<Fact>  $facts
     * @return list<array{name: string, role: string, entries: int}> in the order in which they came to the work
     */
    public static function at(Builder $facts): array
    {
        return array_values(
            $facts
                ->join('users', 'users.id', '=', 'facts.user_id')
                ->groupBy('facts.user_id', 'facts.role', 'users.name')
                ->orderByRaw('MIN(facts.seq)')
                ->selectRaw('users.name AS called, facts.role, COUNT(*) AS entries')
                ->toBase()
                ->get()
                ->map(fn (\stdClass $row) => [
                    'name' => (string) $row->called, 'role' => (string) $row->role, 'entries' => (int) $row->entries,
                ])
                ->all(),
        );
    }
}
