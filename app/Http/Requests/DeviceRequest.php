<?php

namespace App\Http\Requests;

use App\Models\Line;
use App\Models\Subject;
use App\Support\Conflict;
use App\Support\Say;
use Illuminate\Auth\Access\Response;

/** What a device recorded of a joint, a test or a stretch, and sends when it can. */
abstract class DeviceRequest extends MemberRequest
{
    /**
     * What was recorded under one name is not sent under another: a device that is shared says whose it is. Asked before
     * anything else, so that the entry stays on the device for whoever made it.
     *
     * @throws Conflict
     */
    public function authorize(): Response
    {
        $by = $this->header('X-Recorded-By');
        if ($by !== null && $by !== (string) $this->who()->id) {
            throw new Conflict(
                'recorded_by',
                Say::text('refused.recordedByAnother'),
            );
        }

        return parent::authorize();
    }

    protected function line(): Line
    {
        $subject = $this->route('subject');
        \assert($subject instanceof Subject);

        return $subject->line();
    }
}
