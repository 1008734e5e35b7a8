<?php

namespace Database\Seeders;

use App\Models\ProcedureText;
use Database\Demo\Demo;
use Diastoma\Core\Procedure\Procedure;
use Illuminate\Database\Seeder;
use Illuminate\Support\Facades\DB;

/** Procedures that ship, then the demo. */
final class DatabaseSeeder extends Seeder
{
    public function run(): void
    {
        foreach (Procedure::shipped() as $procedure) {
            ProcedureText::freeze($procedure);
        }
        // All of the demo or none of it: a start that was broken off loads it again.
        DB::transaction(fn () => app(Demo::class)->build());
    }
}
