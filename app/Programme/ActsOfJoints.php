<?php

namespace App\Programme;

use App\Models\Joint;
use App\Models\Line;
use Diastoma\Core\Procedure\Tells\Clock;
use Diastoma\Core\Procedure\Tells\Takes;
use Diastoma\Core\Programme\ActTime;
use Diastoma\Core\Programme\CrewPace;
use Diastoma\Core\Programme\JointMoments;
use Diastoma\Core\Programme\MadeJoint;

/** How long each act of a joint takes: by what was typed, by its own label, by the crew's last joints of that kind, by its procedure. */
final class ActsOfJoints
{
    /** So many of the crew's last joints tell its pace. */
    private const LAST = 12;

    /** @var array<string, array<string, mixed>> hash of a procedure => what the crew's joints tell */
    private array $pace = [];

    /** @var array<string, array<string, ActTime>> hash of a procedure => acts of one that is only planned */
    private array $planned = [];

    public function __construct(private readonly Line $line, private readonly DayAsked $asked, private readonly Standing $standing)
    {
    }

    /** @return array<string, ActTime> by act; those that such a joint does not have are missing */
    public function of(Joint $joint): array
    {
        $hash = $joint->text()->hash;
        if ($joint->state !== 'planned') {
            return $this->acts($joint, $hash);
        }

        return $this->planned[$hash] ??= $this->acts($this->like($joint), $hash);
    }

    /** Of a joint that the line does not have: nothing was recorded there. */
    private function like(Joint $joint): Joint
    {
        $blank = new Joint([
            'number' => '0', 'chainage_m' => 0, 'place' => $joint->place, 'line_id' => $this->line->id, 'state' => 'planned',
        ]);

        return $blank->setRelation('ofLine', $this->line)->setRelation('procedureText', $joint->text());
    }

    /** @return array<string, ActTime> */
    private function acts(Joint $joint, string $hash): array
    {
        $told = $joint->judgement()->told->takes;
        $pace = $this->pace[$hash] ??= $this->paceOf($hash);
        // A text that tells nothing of it: what the crew's own joints show, and what is typed.
        $acts = $told === null
            ? (JointMoments::isFused($joint->procedure()) ? [...Takes::ACTS, Takes::REST] : ['prepare', 'fit'])
            : array_keys($told);
        // A clock holds the test up by this text: that nobody told for how long makes it none.
        if (isset($joint->procedure()->tells->clocks[Clock::TEST]) && ! \in_array(Takes::REST, $acts, true)) {
            $acts[] = Takes::REST;
        }
        $times = [];
        foreach ($acts as $act) {
            // What is typed is of the joints in the line.
            $typed = $joint->place === 'in-line' ? $this->asked->typed($act) : null;
            $times[$act] = ActTime::best($act, $typed, $told[$act] ?? null, $pace);
        }

        return $times;
    }

    /** @return array<string, mixed> */
    private function paceOf(string $hash): array
    {
        $joints = $this->standing->made()->filter(fn (Joint $joint) => $joint->text()->hash === $hash)->take(-self::LAST)->values();
        if ($joints->isEmpty()) {
            return [];
        }
        $made = array_values($joints->map(function (Joint $joint): MadeJoint {
            $moments = $this->standing->moments[$joint->id];
            $cold = self::clock($joint, fn (Clock $clock): bool => $clock->until !== null);
            $test = self::clock($joint, fn (Clock $clock): bool => $clock->name === Clock::TEST);

            return new MadeJoint(
                $joint->number, $moments->firstAt, $moments->readyAt, $moments->fusedFrom, $moments->joinedAt, $moments->freeAt,
                $cold, $test,
            );
        })->all()) ?: throw new \LogicException('No joint tells');
        $isFused = JointMoments::isFused($joints->firstOrFail()->procedure());

        return (new CrewPace)($made, $isFused ? (float) $this->asked->clamps : 0.0);
    }

    /**
     * When one of the clocks of a joint has run out.
     *
     * @param  callable(Clock): bool  $which
     */
    public static function clock(Joint $joint, callable $which): ?\DateTimeImmutable
    {
        foreach ($joint->procedure()->tells->clocks as $name => $clock) {
            if ($which($clock) && isset($joint->clocks[$name])) {
                return new \DateTimeImmutable($joint->clocks[$name]);
            }
        }

        return null;
    }
}
