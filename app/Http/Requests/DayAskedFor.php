<?php

namespace App\Http\Requests;

use App\Models\Line;
use App\Models\Section;
use App\Programme\DayAsked;
use App\Support\Say;
use Diastoma\Core\Refused;

/** What there is for the days to come, and when hands work. */
class DayAskedFor extends MemberRequest
{
    use SaidOfALine;

    private const CLOCK = 'regex:/^([01]\d|2[0-3]):[0-5]\d$/';

    public function rules(): array
    {
        return [
            'section' => 'nullable|string|max:40',
            'crews' => 'required|integer|between:1,20',
            'clamps' => 'required|integer|between:1,50',
            'boxes' => 'required|integer|between:1,20',
            'plant' => 'integer|between:1,20',
            'open_ahead' => 'integer|between:0,400',
            'move_min' => 'required|numeric|between:0,600',
            'open_min' => 'nullable|numeric|between:0,1440',
            'prepare_min' => 'nullable|numeric|between:0,1440',
            'fit_min' => 'nullable|numeric|between:0,1440',
            'fuse_min' => 'nullable|numeric|between:0,1440',
            'cool_min' => 'nullable|numeric|between:0,2880',
            'rest_min' => 'nullable|numeric|between:0,20000',
            'test_min' => 'nullable|numeric|between:0,20000',
            'shift_from' => ['required', 'string', self::CLOCK],
            'shift_to' => ['required', 'string', self::CLOCK],
            'pause_from' => ['nullable', 'string', self::CLOCK],
            'pause_to' => ['nullable', 'string', self::CLOCK],
            'work_days' => 'required|array|min:1|max:7',
            'work_days.*' => 'required|integer|between:1,7|distinct',
            'rain_min' => 'required|numeric|between:0,2880',
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return $this->said() + ['regex' => Say::text('refused.isNoClock')];
    }

    public function asked(): DayAsked
    {
        return DayAsked::from($this->validated() + ['pause_from' => null, 'pause_to' => null]);
    }

    public function section(): ?Section
    {
        return self::sectionOf($this->line(), $this->filled('section') ? $this->string('section')->toString() : null);
    }

    public static function sectionOf(Line $line, ?string $id): ?Section
    {
        if ($id === null) {
            return null;
        }

        return $line->sections()->whereKey($id)->first() ?? throw Refused::field('section', Say::text('refused.noSuchSection'));
    }
}
