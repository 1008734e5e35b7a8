<?php

namespace App\Actions;

use App\Models\Joint;
use App\Models\Pipe;
use App\Models\PipeWord;
use App\Models\User;
use App\Support\Say;
use Diastoma\Core\Refused;
use Illuminate\Support\Facades\DB;

/** Rejects a pipe, or accepts it again. What was said before stays; joints that are not signed yet are judged anew. */
final class SayOfPipe
{
    public function __construct(private readonly JudgeSubject $judge)
    {
    }

    public function __invoke(Pipe $pipe, User $by, bool $rejected, string $reason): Pipe
    {
        return DB::transaction(function () use ($pipe, $by, $rejected, $reason): Pipe {
            [$pipe, $joints] = KeepPipe::held($pipe);
            if ($rejected === ($pipe->state === Pipe::REJECTED)) {
                throw Refused::field(
                    'rejected',
                    $rejected
                        ? Say::text('refused.pipeRejectedAlready', ['pipe' => $pipe->number, 'reason' => $pipe->reason])
                        : Say::text('refused.pipeNotRejected', ['pipe' => $pipe->number]),
                );
            }
            $lies = $joints->contains(fn (Joint $joint) => $joint->left_face);
            $state = $rejected ? Pipe::REJECTED : ($lies ? Pipe::LAID : Pipe::TO_HAND);
            PipeWord::query()->create(['pipe_id' => $pipe->id, 'state' => $state, 'reason' => $reason, 'user_id' => $by->id]);
            $pipe->update(['state' => $state, 'reason' => $reason, 'user_id' => $by->id]);
            $joints->whereNull('sealed_at')->each(fn (Joint $joint) => ($this->judge)($joint));

            return $pipe;
        }, KeepPipe::TRIES);
    }
}
