<?php

namespace App\Http\Controllers;

use App\Http\Requests\DayAskedFor;
use App\Http\Requests\DayTaken;
use App\Http\Resources\DayPage;
use App\Models\Line;
use App\Models\PressureTest;
use App\Models\Programme;
use App\Models\Section;
use App\Programme\DayAsked;
use App\Programme\MeansInStores;
use App\Programme\TakeProgramme;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** The days of a line to come: looked at, tried with other means, taken for the plan. */
final class DayController extends Controller
{
    private const MINUTE_S = 60;

    public function show(Request $request, Line $line, MeansInStores $stores): JsonResponse
    {
        $role = $this->member($request, $line);
        $of = $request->filled('section') ? $request->string('section')->toString() : null;
        $section = $of === null ? self::next($line) : ($of === 'line' ? null : DayAskedFor::sectionOf($line, $of));
        // What was to hand is remembered; that it rained then says nothing of today.
        $last = Programme::lastOf($line);
        $asked = $last === null
            ? DayAsked::usualWith($stores($line, self::now()))
            : DayAsked::from(['rain_min' => 0] + $last->asked);

        return new JsonResponse(DayPage::of($line, $section, $asked, $role, self::now()));
    }

    public function try(DayAskedFor $request, Line $line): JsonResponse
    {
        $role = $this->member($request, $line);

        return new JsonResponse(DayPage::of($line, $request->section(), $request->asked(), $role, self::now()));
    }

    public function take(DayTaken $request, Line $line, TakeProgramme $take): JsonResponse
    {
        $role = $this->member($request, $line);
        $take($line, $request->section(), $request->asked(), $request->who(), self::now());

        return new JsonResponse(DayPage::of($line, $request->section(), $request->asked(), $role, self::now()), 201);
    }

    /** Where work goes on: the first section, not tested yet, in which a joint is left to make; where there is none, all of the line. */
    private static function next(Line $line): ?Section
    {
        $left = $line->joints()->where('place', 'in-line')->whereIn('state', ['planned', 'begun'])->where('left_face', false)
            ->orderBy('chainage_m')->value('chainage_m');

        return $line->sections()
            ->whereDoesntHave('tests', PressureTest::proving(...))
            ->when($left !== null, fn ($query) => $query->where('to_m', '>=', $left))
            ->first();
    }

    /** To the minute, upwards: nobody works to the second, and nothing is planned for what is gone. */
    private static function now(): \DateTimeImmutable
    {
        return (new \DateTimeImmutable)->setTimestamp(intdiv(now()->getTimestamp() + self::MINUTE_S - 1, self::MINUTE_S) * self::MINUTE_S);
    }
}
