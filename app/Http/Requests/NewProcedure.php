<?php

namespace App\Http\Requests;

use App\Models\Role;
use App\Support\Say;
use Diastoma\Core\Procedure\Procedure;
use Diastoma\Core\Procedure\ProcedureFile;
use Diastoma\Core\Refused;

/** A procedure as a file, or as an object. */
class NewProcedure extends ProjectRequest
{
    use SentAsJson;

    public function rules(): array
    {
        return ['project_id' => 'required|integer', 'procedure' => 'required_without:file|array', 'file' => 'string'];
    }

    /** @throws Refused with all that is wrong with it */
    public function procedure(): Procedure
    {
        $file = $this->validated('file');

        return \is_string($file) ? ProcedureFile::read($file) : Procedure::from($this->json('procedure'));
    }

    protected function refusal(Role $role): ?string
    {
        return $role->mayPlan() ? null : Say::text('refused.engineerLoadsProcedure');
    }
}
