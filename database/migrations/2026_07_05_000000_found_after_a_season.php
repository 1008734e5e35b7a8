<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/**
 * What the joints of a line recorded last at a step is found without reading a value: with 3,000 joints each fact of each was gone
 * through, for 400 ms. What replaces a joint is found without going through all joints.
 */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('facts', function (Blueprint $table) {
            $table->index(['subject_type', 'subject_id', 'step', 'seq']);
            $table->dropIndex(['subject_type', 'subject_id', 'seq']);
            $table->dropIndex(['step', 'seq']);
        });
        Schema::table('joints', fn (Blueprint $table) => $table->index('replaces_id'));
    }

    public function down(): void
    {
        Schema::table('joints', fn (Blueprint $table) => $table->dropIndex(['replaces_id']));
        Schema::table('facts', function (Blueprint $table) {
            $table->index(['step', 'seq']);
            $table->index(['subject_type', 'subject_id', 'seq']);
            $table->dropIndex(['subject_type', 'subject_id', 'step', 'seq']);
        });
    }
};
