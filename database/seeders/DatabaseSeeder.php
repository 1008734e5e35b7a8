<?php

namespace Database\Seeders;

use App\Models\ProcedureText;
use Database\Demo\Demo;
use Diastoma\Core\Procedure\Procedure;
use Illuminate\Database\Seeder;

/** Procedures that ship, then the demo. */
final class DatabaseSeeder extends Seeder
{
    public function run(): void
    {
        foreach (Procedure::shipped() as $procedure) {
            ProcedureText::freeze($procedure);
        }
        app(Demo::class)->build();
    }
}
