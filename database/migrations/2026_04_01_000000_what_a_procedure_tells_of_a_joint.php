<?php

use App\Actions\JudgeSubject;
use App\Models\Joint;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('joints', function (Blueprint $table) {
            // The crew has moved on from it.
            $table->boolean('left_face')->default(false)->after('clocks');
            // What its procedure puts into the register, by column.
            $table->json('register')->nullable()->after('left_face');
            $table->string('signed_by')->nullable()->after('register');
        });
        // What was recorded before says it by being judged once more.
        Joint::query()->whereHas('facts')->with(['ofLine.project', 'ofLine.procedureText', 'procedureText'])
            ->each(fn (Joint $joint) => app(JudgeSubject::class)($joint));
    }
};
