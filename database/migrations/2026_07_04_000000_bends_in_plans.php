<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('pipes', function (Blueprint $table) {
            // What is no pipe but a bend: the corner that it is set into, what it turns by, and its legs.
            $table->json('bend')->nullable()->after('cut_from_m');
        });
    }

    public function down(): void
    {
        Schema::table('pipes', fn (Blueprint $table) => $table->dropColumn('bend'));
    }
};
