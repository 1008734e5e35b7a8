<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Compile;

use Diastoma\Core\Calculation\Registry;
use Diastoma\Core\Procedure\Binding;
use Diastoma\Core\Procedure\Caution;
use Diastoma\Core\Procedure\Early;
use Diastoma\Core\Procedure\Figure;
use Diastoma\Core\Procedure\Kind\Entries;
use Diastoma\Core\Procedure\Kind\Kinds;
use Diastoma\Core\Procedure\Kind\Note;
use Diastoma\Core\Procedure\Live;
use Diastoma\Core\Procedure\Model;
use Diastoma\Core\Procedure\Offer;
use Diastoma\Core\Procedure\Order;
use Diastoma\Core\Procedure\PhotoAsked;
use Diastoma\Core\Procedure\Rule;
use Diastoma\Core\Procedure\Stage;
use Diastoma\Core\Procedure\StandIn;
use Diastoma\Core\Procedure\Step;
use Diastoma\Core\Verdict;

/**
 * Compiles one step of a file, once for each side on which it is done.
 *
 * @phpstan-import-type StepText from AsWritten
 * @phpstan-import-type PhotoText from AsWritten
 * @phpstan-import-type CautionText from AsWritten
 */
final readonly class StepCompiler
{
    /** Keys of a step that only some kinds can make use of. */
    private const OF_KIND = [
        'positions' => ['round'],
        'plan' => ['bolts'],
        'wrench' => ['bolts'],
        'none' => ['entries'],
        'reads' => ['entries'],
        'own' => ['hold'],
        'across' => ['round'],
        'columns' => ['trace'],
        'columns_optional' => ['trace'],
        'once' => ['trace'],
        'once_unless' => ['trace'],
        'once_text' => ['trace'],
        'once_do' => ['trace'],
        'once_permitted' => ['trace'],
        'seals' => ['hold'],
        'free' => ['hold'],
        'confirms' => ['hold'],
        'refused_do' => ['hold'],
    ];

    /** The only one there was when a step did not name it. */
    private const MODEL_ONCE = 'fusion-inside';

    public function __construct(private Reader $reader)
    {
    }

    /**
     * @param  StepText  $step  in the form of the schema
     * @return list<Step>
     */
    public function onEachSide(array $step): array
    {
        foreach (self::OF_KIND as $key => $kinds) {
            if (isset($step[$key]) && ! \in_array($step['kind'], $kinds, true)) {
                $this->reader->below($key)->fault("is of no use in a {$step['kind']}, only in a ".implode(' or ', $kinds));
            }
        }

        return array_map(fn (?string $side) => $this->onSide($step, $side), array_values($step['each'] ?? [null]));
    }

    /** What stands for a step of an older text that has not the form of one: it is there, open, and says why. */
    public function unreadable(mixed $written): Step
    {
        $keys = \is_array($written) ? $written : [];
        $named = fn (string $key): string => \is_string($keys[$key] ?? null) ? $keys[$key] : $this->reader->path;

        return new Step(
            id: $named('id'),
            side: null,
            kind: new Note(),
            title: str_replace('{side}', '', $named('title')),
            when: null,
            optional: false,
            fields: [],
            roles: [],
            order: new Order([], [], null, null, false),
            retry: true,
            photo: null,
            cautions: [],
            summaries: [],
            guides: [],
            rules: [],
            device: null,
            model: null,
            figure: null,
            fault: $this->reader->faultUnder() ?? "{$this->reader->path} is no step.",
        );
    }

    /** @param  StepText  $step */
    private function onSide(array $step, ?string $side): Step
    {
        $reader = $this->reader->from(new Here($step['id'], $side));
        $this->mustBeNew($reader, $step, $side);
        $asking = $reader->from($reader->here->asking());
        $rules = $this->rules($step, $reader);
        (new DrawingCheck($reader->below('drawing')->forShow()))->check($step);

        return new Step(
            id: $step['id'],
            side: $side,
            kind: Kinds::all()[$step['kind']]::read($step, $reader->from($reader->here->at('', \count($step['guide'] ?? [])))),
            title: $this->title($step['title'], $reader->below('title')),
            when: isset($step['when']) ? $asking->below('when')->conditions($step['when']) : null,
            optional: $step['optional'] ?? false,
            fields: $this->fields($step, $reader),
            roles: array_values($step['roles'] ?? []),
            order: $this->order($step, $reader),
            retry: $step['retry'] ?? true,
            stage: isset($step['stage']) ? Stage::from($step['stage']) : null,
            offer: $this->offer($step, $reader->below('offer')),
            photo: $this->photo($step['photo'] ?? null, $reader->below('photo')),
            cautions: $this->cautions($step['cautions'] ?? [], $reader->below('cautions')),
            summaries: $this->summaries($step['summary'] ?? [], $reader->below('summary')->forShow()),
            guides: $rules['guide'],
            rules: $rules['judge'],
            device: $this->binding($step['device_in'] ?? null, $reader->below('device_in')),
            model: $this->model($step, $reader),
            figure: isset($step['figure']) ? $this->figure($step['figure'], $reader->below('figure')->below('in')) : null,
            fault: $reader->faultUnder('guide', 'judge'),
            standIn: isset($step['stand_in'])
                ? new StandIn(
                    $step['stand_in']['programme'],
                    isset($step['stand_in']['hold_s']) ? (float) $step['stand_in']['hold_s'] : null,
                )
                : null,
            live: isset($step['live']) ? $this->live($step['live'], $reader->below('live')->forShow()) : null,
        );
    }

    /** @param  array{calc: string, series: string, in: array<string, mixed>}  $live */
    private function live(array $live, Reader $at): ?Live
    {
        if (! $this->isCalculation($live['calc'], $at->below('calc'))) {
            return null;
        }
        if (isset($live['in'][$live['series']])) {
            $at->below('in')->below($live['series'])->fault('comes from the device: it cannot be given');
        }
        (new InputCheck($at->below('in')))->check($live['calc'], [$live['series'] => '$fact.samples'] + $live['in']);

        return new Live($live['calc'], $live['series'], $this->bound($live['in'], $at->below('in')));
    }

    private function isCalculation(string $name, Reader $at): bool
    {
        $registry = Registry::standard();
        if (! $registry->has($name)) {
            $at->fault("\"{$name}\" is no calculation; ".Nearest::to($name, $registry->names()));
        }

        return $registry->has($name);
    }

    /** @param  array{shape: string, in: array<string, mixed>}  $figure */
    private function figure(array $figure, Reader $reader): Figure
    {
        // The course of a log that nobody finds is a chart without its limits.
        if ($figure['shape'] === 'course') {
            $reader->below('of')->stepKey(\is_string($figure['in']['of'] ?? null) ? $figure['in']['of'] : '');
        }

        (new FigureCheck($reader))->check($figure);

        return new Figure($figure['shape'], $this->bound($figure['in'], $reader->forShow()));
    }

    /** @param  StepText  $step */
    private function model(array $step, Reader $reader): ?Model
    {
        if (isset($step['model_in'])) {
            return new Model(self::MODEL_ONCE, $this->bound($step['model_in'], $reader->below('model_in')->forShow()));
        }
        if (! isset($step['model'])) {
            return null;
        }
        $at = $reader->below('model')->forShow();
        if (! $this->isCalculation($step['model']['calc'], $at->below('calc'))) {
            return null;
        }
        (new InputCheck($at->below('in')))->check($step['model']['calc'], $step['model']['in']);

        return new Model($step['model']['calc'], $this->bound($step['model']['in'], $at->below('in')));
    }

    private function title(string $title, Reader $reader): string
    {
        if (preg_match('/[{}]/', str_replace('{side}', '', $title)) === 1) {
            $reader->fault('holds a brace that is not {side}: the title of a step names its side at the most');
        }

        return $title;
    }

    /** @param  StepText  $step */
    private function mustBeNew(Reader $reader, array $step, ?string $side): void
    {
        $key = Step::keyOf($step['id'], $side);
        if (! $reader->vocabulary->claims($key, $reader->path)) {
            $reader->below('id')->fault("\"{$key}\" stands twice");
        }
    }

    /**
     * @param  StepText  $step
     * @return array{guide: list<Rule>, judge: list<Rule>}
     */
    private function rules(array $step, Reader $reader): array
    {
        $compiled = ['guide' => [], 'judge' => []];
        $position = 0;
        foreach (array_keys($compiled) as $list) {
            foreach ($step[$list] ?? [] as $i => $rule) {
                $at = $reader->from($reader->here->at($rule['calc_as'] ?? $rule['calc'], $position++))->below("{$list}[{$i}]");
                $compiled[$list][] = (new RuleCompiler($at, $list === 'judge'))->compile($rule);
            }
        }

        return $compiled;
    }

    /**
     * @param  StepText  $step
     * @return list<\Diastoma\Core\Procedure\FieldSpec>
     */
    private function fields(array $step, Reader $reader): array
    {
        $fields = [];
        foreach ($step['fields'] ?? [] as $i => $field) {
            $fields[] = (new FieldCompiler($reader->below("fields[{$i}]")))->compile($field);
        }
        foreach (array_keys(array_filter(array_count_values(array_map(fn ($f) => $f->key, $fields)), fn (int $n) => $n > 1)) as $twice) {
            $reader->below('fields')->fault("\"{$twice}\" is asked for twice");
        }

        return $fields;
    }

    /** @param  StepText  $step */
    private function order(array $step, Reader $reader): Order
    {
        $after = $this->earlier($step['after'] ?? [], $reader->below('after'));
        $needsGood = $this->earlier($step['needs_good'] ?? [], $reader->below('needs_good'));
        $early = $step['early'] ?? [];
        $saying = $reader->from($reader->here->saying('opens_at', 'at'))->below('early');
        if ($early !== [] && ! isset($step['not_before'])) {
            $reader->below('early')->remark('is never said: without "not_before" the step is never too early');
        }

        return new Order(
            after: $after,
            needsGood: $needsGood,
            notBefore: isset($step['not_before'])
                ? $reader->from($reader->here->at('', \count($step['guide'] ?? [])))->below('not_before')->expression($step['not_before'])
                : null,
            early: isset($step['not_before'])
                ? new Early(
                    Verdict::from($early['verdict'] ?? 'bad'),
                    $saying->below('text')->sentence($early['text'] ?? 'Done at {at|time}, not allowed before {opens_at|time}.'),
                    $saying->below('do')->sentence($early['do'] ?? 'An engineer decides whether it can stand.'),
                )
                : null,
            protects: $step['gate'] ?? false,
        );
    }

    /**
     * @param  array<int, string>  $names  of steps
     * @return list<string> their keys
     */
    private function earlier(array $names, Reader $reader): array
    {
        $found = [];
        $own = $reader->vocabulary->position((string) $reader->here->key());
        foreach ($names as $i => $name) {
            $keys = $reader->vocabulary->keys($name, $reader->here->side);
            $later = array_filter($keys, fn (string $key) => $reader->vocabulary->position($key) >= $own);
            if ($keys === [] || $later !== []) {
                $reader
                    ->below("[{$i}]")
                    ->fault(
                        $keys === []
                            ? "\"{$name}\" is no earlier step; ".Nearest::to($name, $reader->vocabulary->ids())
                            : "\"{$name}\" is no earlier step: what waits for it would wait for ever",
                    );
            }
            array_push($found, ...$keys);
        }

        return array_values(array_unique($found));
    }

    /** @param  StepText  $step */
    private function offer(array $step, Reader $reader): ?Offer
    {
        $offer = $step['offer'] ?? null;
        if ($offer === null) {
            return null;
        }
        $isList = $step['kind'] === Entries::name();
        if ($isList && (isset($offer['within_min']) || isset($offer['same']))) {
            $reader->fault('of entries are those of the record before: within_min and same say nothing here');
        }
        if (! $isList && ! isset($offer['within_min']) && ! isset($offer['same'])) {
            $reader->fault('says nothing: give within_min, or same as STEP.FIELD');
        }
        $same = explode('.', $offer['same'] ?? '', 2);
        if (isset($offer['same'])) {
            $reader->below('same')->forShow()->expression("\$step.{$offer['same']}");
        }
        $fields = array_column($step['fields'] ?? [], 'key');
        foreach ($offer['without'] ?? [] as $i => $field) {
            if (! \in_array($field, $fields, true)) {
                $reader->below("without[{$i}]")->fault("\"{$field}\" is no field of this step; ".Nearest::to($field, $fields));
            }
        }

        return new Offer(
            isset($offer['within_min']) ? (float) $offer['within_min'] : null,
            isset($offer['same']) ? $same[0] : null,
            isset($offer['same']) ? $same[1] ?? null : null,
            array_values($offer['without'] ?? []),
        );
    }

    /** @param  PhotoText|null  $photo */
    private function photo(?array $photo, Reader $reader): ?PhotoAsked
    {
        $wanted = $photo['wanted'] ?? false;

        return $photo === null
            ? null
            : new PhotoAsked($photo['of'], \is_array($wanted) ? $reader->below('wanted')->conditions($wanted) : $wanted);
    }

    /**
     * @param  array<int, CautionText>  $cautions
     * @return list<Caution>
     */
    private function cautions(array $cautions, Reader $reader): array
    {
        $read = [];
        foreach ($cautions as $i => $caution) {
            $at = $reader->below("[{$i}]");
            $read[] = \is_string($caution) ? new Caution($caution, null)
                : new Caution($caution['text'], isset($caution['when']) ? $at->below('when')->conditions($caution['when']) : null);
        }

        return $read;
    }

    /**
     * @param  string|array<int, string>  $summary
     * @return list<\Diastoma\Core\Procedure\Sentence>
     */
    private function summaries(string|array $summary, Reader $reader): array
    {
        return array_map(fn (string $way) => $reader->sentence($way), array_values((array) $summary));
    }

    /** @param  array<string, mixed>|null  $in */
    private function binding(?array $in, Reader $reader): ?Binding
    {
        return $in === null ? null : $this->bound($in, $reader);
    }

    /** @param  array<string, mixed>  $in */
    private function bound(array $in, Reader $reader): Binding
    {
        $inputs = [];
        foreach ($in as $name => $value) {
            $inputs[$name] = $reader->below($name)->expression($value);
        }

        return new Binding($inputs);
    }
}
