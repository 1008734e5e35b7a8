<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

use Diastoma\Core\Calculation\Registry;

/**
 * What kept a step shut at the moment at which it was done. Whether a later one was shut rests on how the earlier ones stood, so
 * each moment is judged once: in a chain of locked steps each would else be judged again for every one after it, and so on.
 */
final class ShutThen
{
    /** @var array<string, Lock|null> step key and moment => what kept it shut */
    private array $known = [];

    public function __construct(private readonly Registry $registry)
    {
    }

    public function lock(Step $step, Known $now, \DateTimeImmutable $at): ?Lock
    {
        $moment = $step->key.' '.$at->format('U.u');
        if (! \array_key_exists($moment, $this->known)) {
            $facts = new Facts($now->facts->before($step->key, $at), $now->procedure);
            $then = new Known($now->procedure, $facts, $now->line, $at);
            $this->known[$moment] = Judge::states($then, $this->registry, $this, $step->key)[$step->key]->lock ?? null;
        }

        return $this->known[$moment];
    }
}
