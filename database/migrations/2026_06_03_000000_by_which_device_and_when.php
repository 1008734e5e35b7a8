<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('facts', function (Blueprint $table) {
            $table->uuid('device')->nullable();
            // By how much the clock of the device was ahead of the server's; null: it was right, or nothing is known of it.
            $table->integer('clock_off_s')->nullable();
        });
        Schema::table('lines', function (Blueprint $table) {
            // Null: nobody said it.
            $table->date('begun_on')->nullable();
        });
        Schema::table('photos', function (Blueprint $table) {
            // It came in after what it shows was sealed or cut out.
            $table->boolean('late')->default(false);
        });
        Schema::create('contested', function (Blueprint $table) {
            // A reading that came when another one counted already: kept as it came until somebody decides.
            $table->bigIncrements('seq');
            $table->uuid('id')->unique();
            $table->string('subject_type', 20);
            $table->uuid('subject_id');
            $table->string('step', 64);
            $table->longText('value');
            $table->string('recorded_at', 32);
            $table->foreignId('user_id')->constrained();
            $table->string('role', 20);
            $table->uuid('device')->nullable();
            $table->integer('clock_off_s')->nullable();
            $table->char('body_hash', 64);
            $table->string('why', 500);
            $table->timestamp('received_at', 3)->useCurrent();
            $table->boolean('counts')->nullable();
            $table->foreignId('decided_by')->nullable()->constrained('users');
            $table->string('reason', 500)->nullable();
            $table->timestamp('decided_at', 3)->nullable();
            $table->index(['subject_type', 'subject_id']);
        });
    }
};
