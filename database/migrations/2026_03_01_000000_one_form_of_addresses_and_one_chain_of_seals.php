<?php

use App\Support\Address;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // Compared byte by byte: the application alone says which addresses are one.
        DB::statement('ALTER TABLE users MODIFY email VARCHAR(255) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL');
        foreach (DB::table('users')->get(['id', 'email']) as $user) {
            DB::table('users')->where('id', $user->id)->update(['email' => Address::normal($user->email)]);
        }
        // No two seals of a line follow the same one. A chain that is broken already stays as it is, and is shown so.
        $broken = DB::table('seals')->select('line_id', 'previous')->groupBy('line_id', 'previous')->havingRaw('COUNT(*) > 1')->exists();
        if (! $broken) {
            Schema::table('seals', fn (Blueprint $table) => $table->unique(['line_id', 'previous']));
        }
        // One text may be loaded into several projects; its first stands with the text itself.
        Schema::create('procedure_project', function (Blueprint $table) {
            $table->char('procedure_hash', 64);
            $table->foreign('procedure_hash')->references('hash')->on('procedures');
            $table->foreignId('project_id')->constrained();
            $table->foreignId('loaded_by')->nullable()->constrained('users');
            $table->primary(['procedure_hash', 'project_id']);
        });
    }
};
