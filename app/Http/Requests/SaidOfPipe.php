<?php

namespace App\Http\Requests;

use App\Models\Line;
use App\Models\Pipe;

/** That a pipe is rejected, or sound after all, and why. */
final class SaidOfPipe extends MemberRequest
{
    public function rules(): array
    {
        return ['rejected' => 'required|boolean', 'reason' => 'required|string|min:3|max:500'];
    }

    public function rejected(): bool
    {
        return $this->boolean('rejected');
    }

    public function reason(): string
    {
        return trim((string) $this->string('reason'));
    }

    public function line(): Line
    {
        $pipe = $this->route('pipe');
        \assert($pipe instanceof Pipe);

        return $pipe->line;
    }
}
