<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Form;

use Diastoma\Core\Procedure\Compile\Reader;
use Diastoma\Core\Procedure\Expression\Expression;
use Diastoma\Core\Procedure\Known;

#[About(
    '$traces',
    '{"$traces": {"fusion-side@a": "side-a", "fusion-side@b": "side-b"}}',
    'every trace of these steps with its role, broken attempts too: the story of a joint',
)]
final readonly class Traces extends Form
{
    /** @param  array<string, string>  $roles  step key => role */
    public function __construct(private array $roles)
    {
    }

    public static function read(array $spec, Reader $reader): Expression
    {
        $roles = [];
        $at = $reader->below('$traces');
        foreach (\is_array($spec['$traces']) ? $spec['$traces'] : [] as $step => $role) {
            $key = $at->stepKey((string) $step);
            if ($key === null || ! \is_string($role)) {
                return $at->unresolved((string) $step, $key === null ? null : "must give the role of \"{$step}\" as a word");
            }
            $roles[$key] = $role;
        }

        return $roles === [] ? $at->unresolved('$traces', 'must name steps, each with its role') : new self($roles);
    }

    /** @return list<array{role: string, start: string, end: string, verdict: string}> */
    public function of(Known $known): array
    {
        $traces = [];
        foreach ($this->roles as $key => $role) {
            foreach ($known->attempts($key) as $attempt) {
                $traces[] = ['role' => $role] + $attempt;
            }
        }

        return $traces;
    }
}
