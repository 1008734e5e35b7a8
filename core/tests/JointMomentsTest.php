<?php

declare(strict_types=1);

use Diastoma\Core\Procedure\Example;
use Diastoma\Core\Procedure\Fact;
use Diastoma\Core\Procedure\Procedure;
use Diastoma\Core\Programme\JointMoments;

require_once __DIR__.'/helpers.php';

/* When the acts of a joint were, read off what was recorded: by the shipped example of a coupler and of a push-on joint. */

function atMinute(?DateTimeImmutable $at): ?float
{
    return $at === null ? null : ($at->getTimestamp() - (new DateTimeImmutable('2026-05-04T08:00:00+02:00'))->getTimestamp()) / 60;
}

/** @param  list<Fact>  $facts */
function lastOf(array $facts, string ...$keys): float
{
    return max(array_map(
        fn (Fact $fact): float => (float) atMinute($fact->at),
        array_filter($facts, fn (Fact $fact): bool => in_array($fact->step, $keys, true)),
    ));
}

it('reads the acts of a coupler off its record, power by the times of the box', function () {
    $example = Example::shipped()['ef-coupler-one-pass'];
    $facts = $example->facts();
    $moments = JointMoments::of($example->procedure, $facts);
    $fusion = array_values(array_filter($facts, fn (Fact $fact): bool => $fact->step === 'fusion'));
    expect(atMinute($moments->firstAt))->toBe(min(array_map(fn (Fact $fact) => atMinute($fact->at), $facts)))
        ->and(atMinute($moments->readyAt))->toBe(lastOf($facts, 'mark@a', 'mark@b', 'clamped@a', 'clamped@b', 'scrape@a', 'scrape@b'))
        ->and(atMinute($moments->fittedFrom))->toBeLessThan(lastOf($facts, 'ready'))
        ->and($moments->fusedFrom)->toEqual(new DateTimeImmutable($fusion[0]->value['started_at']))
        ->and($moments->joinedAt)->toEqual(new DateTimeImmutable(end($fusion)->value['ended_at']))
        ->and(atMinute($moments->freeAt))->toBe(lastOf($facts, 'cooling'));
});

it('reads a joint that is pushed home by its entries', function () {
    $example = Example::shipped()['pvc-spigot-socket'];
    $facts = $example->facts();
    $moments = JointMoments::of($example->procedure, $facts);
    expect(atMinute($moments->readyAt))->toBe(lastOf($facts, 'clean', 'mark', 'slung'))
        ->and($moments->fusedFrom)->toBeNull()
        ->and(atMinute($moments->joinedAt))->toBe(lastOf($facts, 'push', 'seen', 'gap'))
        ->and($moments->freeAt)->toBeNull();
});

it('moves no act by a correction that comes later, and none by what is looked at late', function () {
    $example = Example::shipped()['ef-coupler-one-pass'];
    $facts = $example->facts();
    $before = JointMoments::of($example->procedure, $facts);
    $scraped = array_values(array_filter($facts, fn (Fact $fact): bool => $fact->step === 'scrape@a'))[0];
    $late = new DateTimeImmutable('2026-05-05T09:00:00+02:00');
    $corrected = new Fact('late', 'scrape@a', $scraped->value, $late, supersedes: $scraped->id);
    $looked = new Fact('later', 'supply', $scraped->value, $late);
    expect(JointMoments::of($example->procedure, [...$facts, $corrected, $looked]))->toEqual($before);
});

it('knows nothing of a joint of which nothing is recorded, or only what is not of it', function () {
    $procedure = Procedure::shipped()['ef-coupler-one-pass'];
    $stray = new Fact('stray', 'no-such-step', [], new DateTimeImmutable('2026-05-04T09:00:00+02:00'));
    foreach ([[], [$stray]] as $facts) {
        expect(array_filter((array) JointMoments::of($procedure, $facts)))->toBe([]);
    }
});

it('tells which joints are fused by their procedure', function () {
    expect(JointMoments::isFused(Procedure::shipped()['ef-coupler-one-pass']))->toBeTrue()
        ->and(JointMoments::isFused(Procedure::shipped()['pvc-spigot-socket']))->toBeFalse();
});
