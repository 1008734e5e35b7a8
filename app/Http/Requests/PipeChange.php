<?php

namespace App\Http\Requests;

use App\Models\Line;
use App\Models\Pipe;

/** What differs of a pipe from what is known of it. */
final class PipeChange extends MemberRequest
{
    public const RULES = [
        'serial' => 'nullable|string|max:120',
        'source' => 'nullable|string|max:120',
        'length_m' => 'nullable|numeric|between:0.05,30',
        'material' => 'nullable|string|max:40',
        'series' => 'nullable|string|max:20',
        'nominal' => 'nullable|numeric|between:0.1,3000',
        'sdr' => 'nullable|numeric|between:5,51',
        'wall_mm' => 'nullable|numeric|between:0.5,400',
        'od_mm' => 'nullable|numeric|between:10,5000',
    ];

    protected const MAY = 'addJoint';

    public function rules(): array
    {
        return self::RULES;
    }

    public function pipe(): Pipe
    {
        $pipe = $this->route('pipe');
        \assert($pipe instanceof Pipe);

        return $pipe;
    }

    public function line(): Line
    {
        return $this->pipe()->line;
    }
}
