<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** What stand-ins played is practice. Projects in which that was done already are practice, and say so from now on. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('projects', function (Blueprint $table) {
            $table->boolean('practice')->default(false)->after('time_zone');
        });
        $played = '%"source":"stand-in"%';
        DB::statement(
            'update projects set practice = true where id in ('.
                'select l.project_id from facts f join joints j on f.subject_type = ? and f.subject_id = j.id '.
                'join `lines` l on l.id = j.line_id where f.value like ? union '.
                'select l.project_id from facts f join pressure_tests t on f.subject_type = ? and f.subject_id = t.id '.
                'join sections s on s.id = t.section_id join `lines` l on l.id = s.line_id where f.value like ?)',
            ['joint', $played, 'test', $played],
        );
    }

    public function down(): void
    {
        Schema::table('projects', fn (Blueprint $table) => $table->dropColumn('practice'));
    }
};
