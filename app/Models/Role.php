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

    /** A saddle or another joint that the plan does not know. Restraints come with the work and are added by anybody. */
    public function mayAddJoint(): bool
    {
        return $this === self::Engineer || $this === self::Foreman;
    }

    /** Who takes days for the plan that others are held to. */
    public function mayPlanDays(): bool
    {
        return $this === self::Engineer || $this === self::Foreman;
    }

    public function mayCutOut(): bool
    {
        return $this !== self::Joiner;
    }

    /** Which of two readings counts. */
    public function mayDecide(): bool
    {
        return $this === self::Foreman || $this === self::Engineer;
    }

    public function mayTest(): bool
    {
        return $this !== self::Joiner;
    }
}
