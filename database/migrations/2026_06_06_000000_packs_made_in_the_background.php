<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('packs', function (Blueprint $table) {
            $table->uuid('id')->primary();
            $table->foreignUuid('line_id')->constrained('lines')->cascadeOnDelete();
            $table->foreignUuid('test_id')->nullable()->constrained('pressure_tests')->cascadeOnDelete();
            $table->string('kind', 20);
            $table->string('units', 10);
            $table->string('state', 10)->default('waiting');
            $table->foreignId('user_id')->constrained();
            $table->dateTime('asked_at', 3);
            // When it was last worked on: who makes it may have died.
            $table->dateTime('beat_at', 3)->nullable();
            $table->unsignedSmallInteger('attempts')->default(0);
            $table->string('maker', 100)->nullable();
            $table->unsignedInteger('done')->default(0);
            $table->unsignedInteger('total')->default(0);
            // How things stood at this moment is what stands in it.
            $table->dateTime('as_of', 3)->nullable();
            $table->unsignedBigInteger('bytes')->nullable();
            $table->char('sha256', 64)->nullable();
            $table->string('problem', 500)->nullable();
            $table->index(['state', 'asked_at']);
        });
        // What is covered can be laid bare again, and covered again: the last of these says how a joint lies.
        Schema::table('stretches', function (Blueprint $table) {
            $table->string('covered_from', 32)->nullable();
            $table->string('bare_from', 32)->nullable();
        });
        Schema::table('joints', function (Blueprint $table) {
            $table->string('bare_at', 32)->nullable();
            $table->foreignUuid('opening_id')->nullable()->constrained('stretches')->nullOnDelete();
        });
        DB::statement('UPDATE stretches SET covered_from = (SELECT MIN(covered_at) FROM joints WHERE covering_id = stretches.id)');
        // How the seals of a long line held when all of them were last looked at.
        Schema::create('examinations', function (Blueprint $table) {
            $table->foreignUuid('line_id')->primary()->constrained('lines')->cascadeOnDelete();
            $table->dateTime('held_at')->nullable();
            $table->unsignedInteger('seals');
            $table->string('head', 64);
            $table->json('broken');
            $table->json('anew');
            // By a key that is not here: who may write in this table cannot say that seals hold.
            $table->char('proof', 64);
            $table->dateTime('asked_at')->nullable()->index();
            $table->dateTime('beat_at')->nullable();
        });
        // Changes of a line are looked for at each seal, the seal of a joint on its page: among ten thousand both were found by
        // reading all of them.
        Schema::table('seals', function (Blueprint $table) {
            $table->index(['line_id', 'subject_type', 'seq']);
            $table->index('subject_id');
        });
    }
};
