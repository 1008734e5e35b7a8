<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // What was taken for the plan is kept: the days that come are held against it.
        Schema::create('programmes', function (Blueprint $table) {
            $table->uuid('id')->primary();
            $table->foreignUuid('line_id')->constrained('lines')->cascadeOnDelete();
            $table->foreignId('user_id')->constrained();
            $table->uuid('section_id')->nullable();
            $table->json('asked');
            $table->json('days');
            $table->dateTime('test_from', 3)->nullable();
            $table->dateTime('made_at', 3);
            $table->index(['line_id', 'made_at']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('programmes');
    }
};
