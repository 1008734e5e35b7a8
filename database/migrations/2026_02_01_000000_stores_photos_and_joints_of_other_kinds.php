<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('joints', function (Blueprint $table) {
            // Null: the procedure of the line. Saddles and restraints bring their own.
            $table->char('procedure_hash', 64)->nullable()->after('line_id');
            $table->foreign('procedure_hash')->references('hash')->on('procedures');
            $table->string('place', 20)->default('in-line')->after('chainage_m');
            $table->foreignUuid('host_id')->nullable()->after('place')->constrained('joints');
            $table->char('side', 1)->nullable()->after('host_id');
        });
        Schema::create('store_items', function (Blueprint $table) {
            // Append-only: a renewed card or a calibration is a new row that supersedes the one before.
            $table->uuid('id')->primary();
            $table->foreignId('project_id')->constrained();
            $table->uuid('thing_id')->index();
            $table->string('kind', 40);
            $table->string('name', 120);
            $table->longText('values');
            $table->uuid('supersedes')->nullable()->unique();
            $table->string('reason', 500)->nullable();
            $table->boolean('retired')->default(false);
            $table->foreignId('user_id')->constrained();
            $table->timestamp('created_at', 3)->useCurrent();
            $table->index(['project_id', 'kind']);
        });
        Schema::create('photos', function (Blueprint $table) {
            $table->uuid('id')->primary();
            $table->string('subject_type', 20);
            $table->uuid('subject_id');
            $table->string('step', 64);
            $table->char('sha256', 64);
            $table->unsignedInteger('bytes');
            $table->unsignedSmallInteger('width');
            $table->unsignedSmallInteger('height');
            $table->string('taken_at', 32);
            $table->foreignId('user_id')->constrained();
            $table->timestamp('created_at', 3)->useCurrent();
            $table->index(['subject_type', 'subject_id']);
        });
    }
};
