<?php

use App\Models\Line;
use App\Models\Pipe;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('pipes', function (Blueprint $table) {
            $table->uuid('id')->primary();
            $table->foreignUuid('line_id')->constrained();
            $table->string('number', 60);
            // The number as it is compared: without leading noughts.
            $table->string('plain', 60);
            $table->string('serial', 120)->nullable();
            $table->json('size');
            $table->decimal('length_m', 7, 3)->nullable();
            $table->string('source', 120)->nullable();
            $table->string('state', 10)->default('to-hand');
            $table->string('reason', 500)->nullable();
            $table->foreignId('user_id')->nullable()->constrained();
            $table->timestamps();
            $table->unique(['line_id', 'plain']);
            $table->index(['line_id', 'state']);
        });
        // What was said of a pipe, by whom: never overwritten.
        Schema::create('pipe_words', function (Blueprint $table) {
            $table->bigIncrements('seq');
            $table->foreignUuid('pipe_id')->constrained();
            $table->string('state', 10);
            $table->string('reason', 500)->nullable();
            $table->foreignId('user_id')->constrained();
            $table->timestamp('created_at', 3)->useCurrent();
        });
        Schema::create('stretches', function (Blueprint $table) {
            $table->uuid('id')->primary();
            $table->foreignUuid('line_id')->constrained();
            $table->char('procedure_hash', 64);
            $table->foreign('procedure_hash')->references('hash')->on('procedures');
            $table->string('name', 80);
            $table->decimal('from_m', 9, 3);
            // Null: a point.
            $table->decimal('to_m', 9, 3)->nullable();
            $table->string('state', 20)->default('planned');
            $table->string('verdict', 10)->default('open');
            $table->unsignedSmallInteger('done')->default(0);
            $table->unsignedSmallInteger('total')->default(0);
            $table->string('next_step', 64)->nullable();
            $table->json('headline')->nullable();
            $table->json('clocks')->nullable();
            $table->timestamp('sealed_at')->nullable();
            $table->foreignId('user_id')->constrained();
            $table->timestamps();
            $table->index(['line_id', 'from_m']);
        });
        Schema::table('joints', function (Blueprint $table) {
            $table->foreignUuid('pipe_a_id')->nullable()->after('pipes')->constrained('pipes');
            $table->foreignUuid('pipe_b_id')->nullable()->after('pipe_a_id')->constrained('pipes');
        });
        Line::query()->each(fn (Line $line) => $this->pipesOf($line));
    }

    /** Numbers that stood with the joints of a line become its pipes. */
    private function pipesOf(Line $line): void
    {
        foreach (DB::table('joints')->where('line_id', $line->id)->whereNotNull('pipes')->orderBy('chainage_m')->lazy() as $joint) {
            $numbers = array_filter((array) json_decode((string) $joint->pipes, true), fn (mixed $n) => is_string($n) && trim($n) !== '');
            $ids = array_map(fn (string $number) => Pipe::findOrMake($line, $number, null)->id, $numbers);
            DB::table('joints')->where('id', $joint->id)->update(['pipe_a_id' => $ids['a'] ?? null, 'pipe_b_id' => $ids['b'] ?? null]);
        }
        $laid = DB::table('joints')->where('line_id', $line->id)->where('left_face', true);
        Pipe::query()
            ->where('line_id', $line->id)
            ->whereIn('id', [...$laid->pluck('pipe_a_id'), ...$laid->pluck('pipe_b_id')])
            ->update(['state' => 'laid']);
    }
};
