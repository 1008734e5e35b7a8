<?php

namespace App\Models;

use App\Support\CompiledProcedures;
use App\Support\ProcedureInShort;
use Diastoma\Core\Procedure\Procedure;
use Diastoma\Core\Refused;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Facades\DB;

/**
 * The frozen text of a procedure or test method, by its content hash. Never changed.
 *
 * @property string $hash
 * @property int|null $project_id
 * @property string $key
 * @property string $version
 * @property string $title
 * @property string $family
 * @property string $joint_type
 * @property string $body
 *
 * @method static Builder<static> usableIn(iterable<int> $projects)
 */
class ProcedureText extends Model
{
    protected $table = 'procedures';

    protected $primaryKey = 'hash';

    protected $keyType = 'string';

    public $incrementing = false;

    protected $guarded = [];

    /** What a list wants of a text; the text itself is long. */
    public const LISTED = ['hash', 'project_id', 'key', 'version', 'title', 'family', 'joint_type'];

    public function procedure(): Procedure
    {
        return self::compiled($this->hash);
    }

    public function short(): ProcedureInShort
    {
        return app(CompiledProcedures::class)->short($this->hash, fn () => ProcedureInShort::of($this->procedure()));
    }

    /** Of a text that is known by its hash: it is read where it was not compiled yet. */
    public static function compiled(string $hash): Procedure
    {
        static $read = [];

        return $read[$hash] ??= app(CompiledProcedures::class)->get(
            $hash,
            fn () => Procedure::frozen(json_decode(self::query()->findOrFail($hash)->body, true, 64, JSON_THROW_ON_ERROR), $hash),
        );
    }

    /**
     * Refuses what it is not meant for: a test method for stretching pipe on one that does not stretch.
     *
     * @param  array<string, mixed>  $pipe  material, dn_mm, sdr
     * @param  string  $field  in which it was chosen
     *
     * @throws Refused with each reason
     */
    public function mustSuit(array $pipe, string $service, string $field): void
    {
        $unsuited = $this->procedure()->unsuited(['service' => $service] + $pipe);
        if ($unsuited !== []) {
            throw Refused::field($field, "{$this->title}: ".implode(' ', $unsuited));
        }
    }

    /** @return list<string> hashes of all by which something on a line is judged */
    public static function ofLine(Line $line): array
    {
        return array_values(array_unique(array_filter([
            $line->procedure_hash,
            ...Joint::query()->where('line_id', $line->id)->distinct()->pluck('procedure_hash')->all(),
            ...Stretch::query()->where('line_id', $line->id)->distinct()->pluck('procedure_hash')->all(),
            ...Section::query()->where('line_id', $line->id)->distinct()->pluck('method_hash')->all(),
        ])));
    }

    /** Where such a joint sits: in-line, on-pipe, or restraint. */
    public function place(): string
    {
        return $this->procedure()->place;
    }

    /**
     * Texts that ship, and those loaded into one of these projects. Whoever knows the hash of another project's text
     * has not got the text.
     *
     * @param  Builder<self>  $query
     * @param  iterable<int>  $projects
     */
    public function scopeUsableIn(Builder $query, iterable $projects): void
    {
        $query->where(fn (Builder $q) => $q->whereNull('project_id')->orWhereIn('project_id', $projects)
            ->orWhereIn('hash', DB::table('procedure_project')->whereIn('project_id', $projects)->select('procedure_hash')));
    }

    public static function freeze(Procedure $procedure, ?int $projectId = null, ?int $by = null): self
    {
        $text = self::query()->firstOrCreate(
            ['hash' => $procedure->hash],
            [
                'project_id' => $projectId,
                'key' => $procedure->id,
                'version' => $procedure->version,
                'title' => $procedure->title,
                'family' => $procedure->family,
                'joint_type' => $procedure->jointType,
                'body' => json_encode($procedure->text, JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION | JSON_THROW_ON_ERROR),
                'loaded_by' => $by,
            ],
        );
        if ($projectId !== null && $text->project_id !== null && $text->project_id !== $projectId) {
            DB::table('procedure_project')->insertOrIgnore([
                'procedure_hash' => $text->hash,
                'project_id' => $projectId,
                'loaded_by' => $by,
            ]);
        }

        return $text;
    }
}
