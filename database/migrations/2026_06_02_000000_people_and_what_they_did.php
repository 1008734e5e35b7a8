<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('users', function (Blueprint $table) {
            $table->boolean('is_admin')->default(false);
            $table->timestamp('disabled_at')->nullable();
            // Encrypted with the key of the application; with the last step of time in which a code was used.
            $table->text('code_secret')->nullable();
            $table->text('code_pending')->nullable();
            $table->unsignedBigInteger('code_step')->nullable();
        });
        Schema::table('projects', function (Blueprint $table) {
            $table->boolean('wants_second_factor')->default(false);
        });
        Schema::create('invitations', function (Blueprint $table) {
            $table->id();
            // Only the hash: who reads the database cannot follow the link.
            $table->char('token_hash', 64)->unique();
            $table->string('name', 80)->default('');
            $table->foreignId('project_id')->nullable()->constrained();
            $table->string('role', 20)->nullable();
            $table->boolean('makes_admin')->default(false);
            // Somebody who is here already and chooses a new password.
            $table->foreignId('user_id')->nullable()->constrained();
            $table->foreignId('invited_by')->nullable()->constrained('users');
            $table->timestamp('expires_at');
            $table->timestamp('used_at')->nullable();
            $table->timestamps();
        });
        Schema::create('journal', function (Blueprint $table) {
            // Append-only: rows are never updated or deleted.
            $table->bigIncrements('seq');
            $table->timestamp('at', 3)->useCurrent();
            $table->foreignId('user_id')->nullable()->constrained();
            $table->string('who', 120)->default('');
            $table->string('what', 40)->index();
            $table->json('about');
            $table->string('address', 45)->nullable();
        });
    }
};
