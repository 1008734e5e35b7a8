<?php

namespace App\Models;

/** What somebody does on a project. */
enum Role: string
{
    case Joiner = 'joiner';
    case Foreman = 'foreman';
    case Inspector = 'inspector';
    case Engineer = 'engineer';

    public function mayRecord(): bool
    {
        return true;
    }

    /** Lines, limits and procedures. */
    public function mayPlan(): bool
    {
        return $this === self::Engineer;
    }

    public function mayCutOut(): bool
    {
        return $this !== self::Joiner;
    }

    public function mayTest(): bool
    {
        return $this !== self::Joiner;
    }
}
