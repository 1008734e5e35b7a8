<?php

namespace App\Http\Requests;

use App\Models\Line;
use App\Models\User;
use Illuminate\Auth\Access\Response;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Facades\Gate;

/** A body sent to something of a line: who does not belong to the project finds nothing, whatever the body looks like. */
abstract class MemberRequest extends FormRequest
{
    /** What one must be allowed on the line, as the policy names it. */
    protected const MAY = 'view';

    /** @return array<string, string|list<string>> what each key may hold */
    abstract public function rules(): array;

    public function authorize(): Response
    {
        $seen = Gate::inspect('view', $this->line());

        return $seen->denied() || static::MAY === 'view' ? $seen : Gate::inspect(static::MAY, $this->line());
    }

    public function who(): User
    {
        /** @var User */
        return $this->user();
    }

    protected function line(): Line
    {
        $line = $this->route('line');
        \assert($line instanceof Line);

        return $line;
    }
}
