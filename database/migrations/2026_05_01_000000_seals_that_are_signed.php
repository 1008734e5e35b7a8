<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('seals', function (Blueprint $table) {
            // Null: a seal of the form before, a hash without a signature.
            $table->longText('statement')->nullable();
            $table->string('signature', 100)->nullable();
            $table->string('public_key', 60)->nullable();
        });
    }
};
