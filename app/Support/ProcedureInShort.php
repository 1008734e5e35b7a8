<?php

namespace App\Support;

use App\Actions\PlanSection;
use Diastoma\Core\Procedure\Procedure;
use Diastoma\Core\Procedure\Suit;

/** What a list shows of a procedure, and for which pipes it is meant: kept apart, for a list of all would else load each whole. */
final readonly class ProcedureInShort
{
    /**
     * @param  array<string, mixed>  $shown
     * @param  array<string, mixed>  $limits  its limits and steps, for who compares
     * @param  list<Suit>  $suits
     */
    public function __construct(public array $shown, public array $limits, public array $suits)
    {
    }

    public static function of(Procedure $procedure): self
    {
        return new self(
            [
                'school' => $procedure->school,
                'place' => $procedure->place,
                'daily' => $procedure->daily,
                'covers' => $procedure->tells->covers(),
                'uncovers' => $procedure->tells->uncovers(),
                'suits' => $procedure->suits !== [],
                'medium' => $procedure->medium->value,
                'at_gauge' => $procedure->asks(PlanSection::AT_GAUGE),
            ],
            ['parameters' => $procedure->parametersToArray(), 'steps' => self::stepsOf($procedure)],
            array_values($procedure->suits),
        );
    }

    /**
     * @param  array<string, mixed>  $pipe  as far as it is known
     * @return array<string, mixed> with the reasons why it is not meant for this pipe
     */
    public function for(array $pipe): array
    {
        return $this->shown + ['unsuited' => Suit::allAgainst($this->suits, $pipe)];
    }

    /** @return list<array{id: string, title: string}> each once, whatever sides it is done on */
    private static function stepsOf(Procedure $procedure): array
    {
        $steps = [];
        foreach ($procedure->steps as $step) {
            $steps[$step->id] ??= ['id' => $step->id, 'title' => $step->plainTitle()];
        }

        return array_values($steps);
    }
}
