<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // What was sealed before is judged by what stood then.
        Schema::table('lines', fn (Blueprint $table) => $table->dateTime('corrected_at', 3)->nullable());
        // What came with a delivery is offered at the joints.
        Schema::table('stretches', fn (Blueprint $table) => $table->json('batches')->nullable());
        // A test stays what it was judged by; that more is asked of its section since then stands beside it.
        Schema::table('pressure_tests', fn (Blueprint $table) => $table->float('asked_kpa', 12)->nullable());
    }

    public function down(): void
    {
        Schema::table('lines', fn (Blueprint $table) => $table->dropColumn('corrected_at'));
        Schema::table('stretches', fn (Blueprint $table) => $table->dropColumn('batches'));
        Schema::table('pressure_tests', fn (Blueprint $table) => $table->dropColumn('asked_kpa'));
    }
};
