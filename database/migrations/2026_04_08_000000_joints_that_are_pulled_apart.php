<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** A joint that slides is pulled apart and joined again by the crew: no pipe is cut for it. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('joints', fn (Blueprint $table) => $table->boolean('pulled_apart')->default(false)->after('cut_out_reason'));
    }

    public function down(): void
    {
        Schema::table('joints', fn (Blueprint $table) => $table->dropColumn('pulled_apart'));
    }
};
