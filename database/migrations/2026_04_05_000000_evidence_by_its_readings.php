<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Which readings of which file were recorded where: the same ones prove no other work. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('evidence', function (Blueprint $table) {
            $table->uuid('fact_id')->primary();
            $table->string('subject_type', 20);
            $table->uuid('subject_id');
            $table->char('readings_hash', 64)->index();
        });
    }

    public function down(): void
    {
        Schema::drop('evidence');
    }
};
