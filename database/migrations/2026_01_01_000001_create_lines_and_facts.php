<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('procedures', function (Blueprint $table) {
            $table->char('hash', 64)->primary();
            $table->foreignId('project_id')->nullable()->constrained();
            $table->string('key', 64);
            $table->string('version', 32);
            $table->string('title');
            $table->string('family', 20);
            $table->string('joint_type', 64);
            $table->longText('body');
            $table->foreignId('loaded_by')->nullable()->constrained('users');
            $table->timestamps();
        });
        Schema::create('lines', function (Blueprint $table) {
            $table->uuid('id')->primary();
            $table->foreignId('project_id')->constrained();
            $table->string('name');
            $table->string('service', 20);
            $table->json('pipe');
            $table->decimal('design_bar', 6, 2);
            $table->decimal('mdp_bar', 6, 2);
            $table->decimal('pipe_length_m', 6, 2);
            $table->char('procedure_hash', 64);
            $table->foreign('procedure_hash')->references('hash')->on('procedures');
            $table->json('centre_line');
            $table->foreignId('created_by')->constrained('users');
            $table->timestamps();
        });
        Schema::create('sections', function (Blueprint $table) {
            $table->uuid('id')->primary();
            $table->foreignUuid('line_id')->constrained();
            $table->string('name');
            $table->decimal('from_m', 9, 3);
            $table->decimal('to_m', 9, 3);
            $table->char('method_hash', 64);
            $table->foreign('method_hash')->references('hash')->on('procedures');
            $table->json('ask');
            $table->timestamps();
        });
        $judged = function (Blueprint $table) {
            $table->string('state', 20)->default('planned');
            $table->string('verdict', 10)->default('open');
            $table->unsignedSmallInteger('done')->default(0);
            $table->unsignedSmallInteger('total')->default(0);
            $table->string('next_step', 64)->nullable();
            $table->json('headline')->nullable();
            $table->json('clocks')->nullable();
            $table->timestamp('sealed_at')->nullable();
        };
        Schema::create('joints', function (Blueprint $table) use ($judged) {
            $table->uuid('id')->primary();
            $table->foreignUuid('line_id')->constrained();
            $table->string('number', 20);
            $table->decimal('chainage_m', 9, 3);
            $judged($table);
            $table->uuid('replaces_id')->nullable();
            $table->timestamp('cut_out_at')->nullable();
            $table->string('cut_out_reason', 500)->nullable();
            $table->foreignId('cut_out_by')->nullable()->constrained('users');
            $table->json('pipes')->nullable();
            $table->timestamps();
            $table->unique(['line_id', 'number']);
            $table->index(['line_id', 'chainage_m']);
        });
        Schema::create('pressure_tests', function (Blueprint $table) use ($judged) {
            $table->uuid('id')->primary();
            $table->foreignUuid('section_id')->constrained();
            $table->unsignedSmallInteger('number');
            $table->json('context');
            $judged($table);
            $table->timestamps();
            $table->unique(['section_id', 'number']);
        });
        Schema::create('facts', function (Blueprint $table) {
            // Append-only: rows are never updated or deleted.
            $table->bigIncrements('seq');
            $table->uuid('id')->unique();
            $table->string('subject_type', 20);
            $table->uuid('subject_id');
            $table->string('step', 64);
            $table->longText('value');
            $table->longText('typed');
            $table->string('recorded_at', 32);
            $table->foreignId('user_id')->constrained();
            $table->string('role', 20);
            $table->uuid('supersedes')->nullable();
            $table->string('reason', 500)->nullable();
            $table->char('body_hash', 64);
            $table->timestamp('received_at', 3)->useCurrent();
            $table->index(['subject_type', 'subject_id', 'seq']);
        });
        Schema::create('seals', function (Blueprint $table) {
            $table->bigIncrements('seq');
            $table->foreignUuid('line_id')->constrained();
            $table->string('subject_type', 20);
            $table->uuid('subject_id');
            $table->char('facts_hash', 64);
            $table->char('procedure_hash', 64);
            $table->string('verdict', 10);
            $table->char('previous', 64);
            $table->char('hash', 64)->unique();
            $table->foreignId('user_id')->constrained();
            $table->timestamp('sealed_at', 3);
            $table->index(['line_id', 'seq']);
        });
    }
};
