<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('pipes', function (Blueprint $table) {
            // The delivery with which it came; null: it was planned, or entered by itself.
            $table->foreignUuid('delivery_id')->nullable()->constrained('stretches');
        });
        Schema::table('joints', function (Blueprint $table) {
            // Since when nobody sees it any more, and in which record that stands.
            $table->string('covered_at', 32)->nullable();
            $table->foreignUuid('covering_id')->nullable()->constrained('stretches');
        });
    }
};
