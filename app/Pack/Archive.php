<?php

namespace App\Pack;

use App\Actions\ChangesOfLine;
use App\Actions\ExportRegister;
use App\Actions\ExportSubject;
use App\Actions\SealSubject;
use App\Models\Joint;
use App\Models\Line;
use App\Models\Photo;
use App\Models\Pipe;
use App\Models\PressureTest;
use App\Models\ProcedureText;
use App\Models\Seal;
use App\Models\Section;
use App\Models\Stretch;
use App\Models\Subject;
use App\Support\Say;
use Diastoma\Core\Seal\ArchiveForm;
use Diastoma\Core\Seal\SealKey;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\Storage;
use ZipArchive;

/**
 * All that is on record of a line as open data in one file: records, seals, procedures, pictures, register, map and book, with
 * the public key by which the seals are held. `bin/diastoma verify FILE` holds all of it against its seals, on a machine that
 * knows nothing of this server.
 */
final class Archive
{
    private const AT_ONCE = 25;

    /** @var array<string, string> name in the archive => file */
    private array $files = [];

    /** @var array<string, string> name in the archive => SHA-256 */
    private array $sums = [];

    private int $records = 0;

    private int $photos = 0;

    /**
     * @param  string  $folder  empty, for what lies there until the archive is closed
     * @param  \Closure(int, int): void  $progress  records done, of how many
     */
    public function __construct(
        private readonly Line $line,
        private readonly \DateTimeImmutable $asOf,
        private readonly string $folder,
        private readonly \Closure $progress,
        private readonly ExportRegister $register,
        private readonly ExportSubject $export,
        private readonly SealKey $key,
    ) {
    }

    /** @param  string  $book  the record book, as it was printed */
    public function write(string $into, string $book): void
    {
        $this->take('record-book.pdf', $book);
        $this->made('register.csv', fn ($out) => $this->register->csv($this->line, $out));
        $this->made('line.geojson', fn ($out) => $this->register->geoJson($this->line, $out));
        $this->made('line.json', fn ($out) => self::json($out, $this->ofLine()));
        $this->made(ArchiveForm::SEALS, $this->seals(...));
        $this->made(ArchiveForm::RECORDS, $this->records(...));
        $this->made('photos.csv', $this->listOfPhotos(...));
        foreach ($this->texts() as $text) {
            // As it stands in the database, and not as it was compiled once.
            $this->made(ArchiveForm::procedure($text->hash), fn ($out) => fwrite($out, $text->body));
        }
        $keys = Seal::query()->where('line_id', $this->line->id)->whereNotNull('public_key')->distinct()->pluck('public_key');
        $keys = $keys->push($this->key->publicKey())->unique()->sort()->values();
        $this->made('public-key.txt', fn ($out) => fwrite($out, $keys->implode("\n")."\n"));
        $readMe = Say::text('pack.archive', ['line' => $this->line->name, 'form' => ArchiveForm::NAME]);
        $this->made('READ-ME.txt', fn ($out) => fwrite($out, $readMe));
        $this->made(ArchiveForm::ABOUT, fn ($out) => self::json($out, $this->about()));
        $this->made(ArchiveForm::SUMS, function ($out): void {
            ksort($this->sums);
            foreach ($this->sums as $name => $sum) {
                fwrite($out, "{$sum}  {$name}\n");
            }
        });
        $sums = (string) file_get_contents($this->files[ArchiveForm::SUMS]);
        $signed = ['public_key' => $this->key->publicKey(), 'signature' => $this->key->sign($sums)];
        $this->made(ArchiveForm::SIGNED, fn ($out) => self::json($out, $signed));
        $this->close($into);
    }

    private function close(string $into): void
    {
        $zip = new ZipArchive;
        $opened = $zip->open($into, ZipArchive::CREATE | ZipArchive::OVERWRITE);
        if ($opened !== true) {
            throw new \RuntimeException("The archive could not be begun ({$opened}).");
        }
        foreach ($this->files as $name => $file) {
            $zip->addFile($file, $name);
            // What is compressed already is only put in.
            if (preg_match('/\.(jpg|pdf)$/', $name) === 1) {
                $zip->setCompressionName($name, ZipArchive::CM_STORE);
            }
        }
        $zip->close() || throw new \RuntimeException('The archive could not be written: '.$zip->getStatusString());
    }

    /** @return array<string, mixed> */
    private function about(): array
    {
        return [
            'format' => ArchiveForm::NAME,
            'as_of' => $this->asOf->format('Y-m-d\TH:i:s\Z'),
            'line' => $this->line->only(['id', 'name', 'service']),
            'project' => $this->line->project->name,
            'practice' => $this->line->project->practice,
            'records' => $this->records,
            'photos' => $this->photos,
            'head' => SealSubject::head($this->line),
        ];
    }

    /** @return array<string, mixed> */
    private function ofLine(): array
    {
        $project = $this->line->project;

        return $this->line->only([
            'id', 'name', 'service', 'pipe', 'design_bar', 'mdp_bar', 'pipe_length_m', 'begun_on', 'centre_line', 'procedure_hash',
        ]) + [
            'project' => $project->only(['name', 'place', 'client', 'contractor', 'time_zone', 'practice']),
            'sections' => $this->line->sections->map->only(['id', 'name', 'from_m', 'to_m', 'ask', 'method_hash'])->all(),
            'pipes' => Pipe::query()->where('line_id', $this->line->id)->orderBy('number')->lazy(self::AT_ONCE)
                ->map(fn (Pipe $p) => $p->only(['number', 'size', 'length_m', 'serial', 'source', 'state', 'reason']))->values()->all(),
            'changes' => (new ChangesOfLine($this->line))->all(),
        ];
    }

    /** @param  resource  $out */
    private function seals($out): void
    {
        $keys = [
            'subject_type', 'subject_id', 'hash', 'previous', 'statement', 'signature', 'public_key', 'verdict', 'procedure_hash',
            'facts_hash', 'sealed_at',
        ];
        foreach (Seal::query()->where('line_id', $this->line->id)->orderBy('seq')->lazy(self::AT_ONCE) as $seal) {
            self::json($out, $seal->only($keys));
        }
    }

    /** @param  resource  $out */
    private function records($out): void
    {
        $all = array_sum(array_map(fn (Builder $of) => $of->count(), $this->subjects()));
        foreach ($this->subjects() as $of) {
            foreach ((clone $of)->orderBy('id')->lazy(self::AT_ONCE) as $subject) {
                if (! $subject instanceof PressureTest) {
                    $subject->setRelation('ofLine', $this->line);
                }
                $record = ($this->export)($subject, $this->asOf);
                // Its text stands once in the archive, under its hash.
                unset($record['procedure']);
                self::json($out, ['type' => $subject->getMorphClass()] + $subject->only(['id', 'state']) + $record);
                if (++$this->records % self::AT_ONCE === 0 || $this->records === $all) {
                    ($this->progress)($this->records, $all);
                }
            }
        }
    }

    /** @param  resource  $out */
    private function listOfPhotos($out): void
    {
        fputcsv($out, ['id', 'record', 'step', 'taken_at', 'by', 'late', 'sha256', 'file'], ';', '"', '');
        foreach ($this->subjects() as $of) {
            $photos = Photo::query()
                ->with('user')
                ->where('subject_type', $of->getModel()->getMorphClass())
                ->whereIn('subject_id', (clone $of)->select('id'))
                ->orderBy('id');
            foreach ($photos->lazy(self::AT_ONCE) as $photo) {
                $name = ArchiveForm::photo($photo->id);
                $file = Storage::path(Photo::path($photo->id));
                $isThere = is_file($file);
                if ($isThere) {
                    $this->take($name, $file);
                    $this->photos++;
                }
                fputcsv($out, [
                    $photo->id, $photo->subject_id, $photo->step, $photo->taken_at, $photo->user->name, $photo->late ? 'yes' : '',
                    $photo->sha256, $isThere ? $name : '',
                ], ';', '"', '');
            }
        }
    }

    /** @return iterable<ProcedureText> by which something on this line is judged */
    private function texts(): iterable
    {
        return ProcedureText::query()->whereIn('hash', ProcedureText::ofLine($this->line))->orderBy('hash')->get();
    }

    /** @return list<Builder<covariant Subject>> */
    private function subjects(): array
    {
        return [
            Joint::query()->with('procedureText')->where('line_id', $this->line->id),
            PressureTest::query()
                ->with(['section.line.project', 'section.method'])
                ->whereIn('section_id', Section::query()->where('line_id', $this->line->id)->select('id')),
            Stretch::query()->with('procedureText')->where('line_id', $this->line->id),
        ];
    }

    private function take(string $name, string $file): void
    {
        $this->files[$name] = $file;
        $this->sums[$name] = (string) hash_file('sha256', $file);
    }

    /** @param  \Closure(resource): mixed  $write */
    private function made(string $name, \Closure $write): void
    {
        $file = "{$this->folder}/".str_replace('/', '-', $name);
        $out = fopen($file, 'wb') ?: throw new \RuntimeException("{$file} cannot be written");
        $write($out);
        // A disk that is full says so no later than here.
        if (! fflush($out) || ! fclose($out)) {
            throw new \RuntimeException("{$file} cannot be written");
        }
        $this->take($name, $file);
    }

    /** @param  resource  $out */
    private static function json($out, mixed $value): void
    {
        $as = JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION | JSON_THROW_ON_ERROR;
        $line = json_encode($value, $as)."\n";
        if (fwrite($out, $line) !== \strlen($line)) {
            throw new \RuntimeException('There is no room for the archive.');
        }
    }
}
