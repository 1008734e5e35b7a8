<?php

use App\Models\EvidenceFile;
use Diastoma\Core\Procedure\Kind\Trace;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Files that were recorded before their readings were remembered prove no other work either. */
return new class extends Migration
{
    public function up(): void
    {
        $facts = DB::table('facts')
            ->leftJoin('evidence', 'evidence.fact_id', '=', 'facts.id')
            ->whereNull('evidence.fact_id')
            ->whereNotNull('facts.value->samples')
            ->select(['facts.id', 'facts.subject_type', 'facts.subject_id', 'facts.value']);
        foreach ($facts->lazyById(100, 'facts.id', 'id') as $fact) {
            $value = json_decode($fact->value, true);
            if (! Trace::mayBeReplaced($value) || ! ($value['final'] ?? true)) {
                continue;
            }
            DB::table('evidence')->insert([
                'fact_id' => $fact->id,
                'subject_type' => $fact->subject_type,
                'subject_id' => $fact->subject_id,
                'readings_hash' => EvidenceFile::hashOf($value['samples']),
            ]);
        }
    }

    /** What was filled in is as true as what came with its fact: it stays. */
    public function down(): void
    {
    }
};
