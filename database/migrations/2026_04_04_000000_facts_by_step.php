<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What was recorded last at a step is looked up for the next joint. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('facts', fn (Blueprint $table) => $table->index(['step', 'seq']));
    }

    public function down(): void
    {
        Schema::table('facts', fn (Blueprint $table) => $table->dropIndex(['step', 'seq']));
    }
};
