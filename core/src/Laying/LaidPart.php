<?php

declare(strict_types=1);

namespace Diastoma\Core\Laying;

/**
 * A part of the line between two bends, or from a bend to an end of it, as it is laid out.
 *
 * @phpstan-import-type Laid from LaidOut
 */
final readonly class LaidPart
{
    /** @param  Alignment|null  $line  null: the two joints of it are one, and no pipe lies between */
    public function __construct(public ?Alignment $line, public LayingRules $rules, public LayOutcome $outcome)
    {
    }

    /** No other sharing of the stock would do with fewer pipes here: its length alone wants so many. */
    public function isFewestByLength(): bool
    {
        if ($this->line === null) {
            return true;
        }
        $plenty = array_map(fn (StockPipe $pipe): StockPipe => new StockPipe($pipe->length), $this->rules->stock);

        return \count($this->outcome->pieces) <= (new PiecesLeft($this->line, $this->rules->with(stock: $plenty)))->ofAll();
    }

    /**
     * @param  float  $limit  largest angle of a joint, degrees
     * @param  float|null  $od  m
     * @return list<Laid>
     */
    public function rows(float $limit, ?float $od): array
    {
        return $this->line === null
            ? []
            : (new LaidOut($this->line, $this->rules, $this->outcome->pieces, $this->outcome->isFeasible()))->rows($limit, $od);
    }
}
