<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Kind;

use Diastoma\Core\Procedure\Compile\AsWritten;
use Diastoma\Core\Procedure\Compile\Reader;
use Diastoma\Core\Procedure\Fact;
use Diastoma\Core\Procedure\Known;
use Diastoma\Core\Procedure\Reason;
use Diastoma\Core\Procedure\Step;
use Diastoma\Core\Procedure\Words;
use Diastoma\Core\Refused;

/**
 * A kind of step: what its fact looks like, what several parts of it become, what it says by itself.
 *
 * One class a kind, listed in {@see Kinds}, and one entry of the same name in the pages.
 *
 * @phpstan-import-type StepText from AsWritten
 */
interface Kind
{
    /** As it stands in a file. */
    public static function name(): string;

    /**
     * @param  StepText  $step  as the file states it
     */
    public static function read(array $step, Reader $reader): self;

    /** @return list<string> what its fact may hold beside the fields of the step */
    public static function keys(): array;

    /**
     * The value as it is stored, in the step's own units.
     *
     * @param  array<string, mixed>  $value
     * @return array<string, mixed>
     *
     * @throws Refused every fault with its field
     */
    public function normalise(Step $step, array $value): array;

    /**
     * Which facts of a step count: each of them one whole, the last one that which is judged.
     *
     * @param  non-empty-list<Fact>  $facts  that no later one supersedes, in the order in which they were stored
     * @return non-empty-list<Fact>
     */
    public function whole(array $facts): array;

    /**
     * Why what is recorded already lets no more be stored beside it, or null. What supersedes something is not asked for.
     *
     * @param  non-empty-list<array<string, mixed>>  $standing  values that no later one supersedes
     * @param  array<string, mixed>  $value
     */
    public function refusesMore(array $standing, array $value): ?string;

    /** Do several facts become one? What is wrong in one of them is not put right by entering all again. */
    public function comesInParts(): bool;

    /** Is the fact complete, or does more of it still come? */
    public function isFinished(Step $step, Fact $fact, Known $known): bool;

    /** May it, done already, be done once more? */
    public function mayBeRepeated(Step $step, Known $known): bool;

    /** @return array<string, mixed>|null what a page must know to take the fact, beside the fields; null: nothing */
    public function entry(Known $known): ?array;

    /**
     * What a fact of it says, remark and photos apart.
     *
     * @param  array<string, mixed>  $value  as it is stored
     * @return list<string> one for each thing
     */
    public function words(Step $step, array $value, Words $words): array;

    /** @return list<Reason> what it says by itself */
    public function says(Step $step, Fact $fact, Known $known): array;
}
