<?php

namespace App\Actions;

use App\Models\Fact;
use App\Models\Subject;
use Diastoma\Core\Procedure\Judgement;

/** What came of recording a fact. */
final readonly class Recording
{
    /**
     * @param  bool  $stored  false: it was stored already
     * @param  list<Subject>  $changed  what now stands otherwise in the lists of the line
     */
    public function __construct(
        public Subject $subject,
        public Fact $fact,
        public Judgement $judgement,
        public bool $stored,
        public array $changed,
    ) {
    }
}
