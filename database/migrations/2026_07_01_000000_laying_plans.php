<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // What was laid down is kept: a later plan begins where the line stood by then.
        Schema::create('laying_plans', function (Blueprint $table) {
            $table->uuid('id')->primary();
            $table->foreignUuid('line_id')->constrained('lines')->cascadeOnDelete();
            $table->foreignId('user_id')->constrained();
            $table->string('reason', 500);
            $table->double('from_m');
            $table->json('asked');
            $table->longText('rows');
            $table->dateTime('made_at', 3);
            $table->index(['line_id', 'made_at']);
        });
        // What the plan asks of a joint: angle, where to, level.
        Schema::table('joints', function (Blueprint $table) {
            $table->json('planned')->nullable();
        });
        Schema::table('pipes', function (Blueprint $table) {
            $table->double('cut_from_m')->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('pipes', fn (Blueprint $table) => $table->dropColumn('cut_from_m'));
        Schema::table('joints', fn (Blueprint $table) => $table->dropColumn('planned'));
        Schema::dropIfExists('laying_plans');
    }
};
