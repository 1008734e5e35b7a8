<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Compile;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Registry;
use Diastoma\Core\Procedure\Binding;
use Diastoma\Core\Procedure\Cites;
use Diastoma\Core\Procedure\Excuse;
use Diastoma\Core\Procedure\LimitRead;
use Diastoma\Core\Procedure\Planned;
use Diastoma\Core\Procedure\Rule;
use Diastoma\Core\Procedure\Ruling;
use Diastoma\Core\Procedure\Say;
use Diastoma\Core\Procedure\Telling;
use Diastoma\Core\Verdict;

/**
 * Compiles a calculation of a step: its inputs, what judges its result, and what is said of it.
 *
 * @phpstan-import-type RuleText from AsWritten
 * @phpstan-import-type SayText from AsWritten
 * @phpstan-import-type LimitReadText from AsWritten
 * @phpstan-import-type ExcuseText from AsWritten
 */
final readonly class RuleCompiler
{
    /** It is good that it can be computed at all: a code that can be read. */
    private const COMPUTED = 'computed';

    /** @param  bool  $judges  it stands under `judge`, not under `guide` */
    public function __construct(private Reader $reader, private bool $judges)
    {
    }

    /** @param  RuleText  $rule  in the form of the schema */
    public function compile(array $rule): Rule
    {
        $registry = Registry::standard();
        $name = $rule['calc_as'] ?? $rule['calc'];
        $known = $registry->has($rule['calc']);
        if (! $known) {
            $this->reader->below('calc')->fault("\"{$rule['calc']}\" is no calculation; ".Nearest::to($rule['calc'], $registry->names()));
        }
        if ($this->reader->vocabulary->calculation((string) $this->reader->here->key(), $name) !== $rule['calc']) {
            $this->reader
                ->below(isset($rule['calc_as']) ? 'calc_as' : 'calc')
                ->fault("\"{$name}\" is another calculation of this step already; give one of them another name with \"calc_as\"");
        }
        $about = $known ? $registry->about($rule['calc']) : null;
        $when = isset($rule['when']) ? $this->reader->below('when')->conditions($rule['when']) : null;
        $inputs = $this->inputs($rule, $about);
        $limit = $this->limit($rule['limit'] ?? null, $this->reader->below('limit'));
        $ruling = $this->ruling($rule, $about);
        $telling = new Telling(
            $about->title ?? $name,
            $limit,
            $about === null ? [] : $this->says($rule, $about, $limit, $ruling),
            isset($rule['text']) ? $this->saying()->below('text')->sentence($rule['text']) : null,
            isset($rule['waits']) ? $this->saying()->below('waits')->sentence($rule['waits']) : null,
        );

        $planned = $this->planned($rule['in']);

        return new Rule($rule['calc'], $name, $inputs, $planned, $when, $ruling, $telling, $this->cure($rule), $this->reader->faultUnder());
    }

    /** @param  RuleText  $rule */
    private function cure(array $rule): ?string
    {
        $at = $this->reader->below('cured_by');
        $key = isset($rule['cured_by']) ? $at->stepKey($rule['cured_by']) : null;
        if ($key !== null && ! $at->vocabulary->comesLater($key, (string) $at->here->key())) {
            $at->fault("\"{$rule['cured_by']}\" is no later step: nothing is put right before it is found");
        }

        return $key;
    }

    /** @param  RuleText  $rule */
    private function inputs(array $rule, ?Calculates $about): Binding
    {
        if ($about !== null) {
            (new InputCheck($this->reader->below('in')))->check($rule['calc'], $rule['in']);
        }
        $inputs = [];
        foreach ($rule['in'] as $key => $value) {
            $inputs[$key] = $this->reader->below('in')->below($key)->expression($value);
        }

        return new Binding($inputs);
    }

    /** @param  array<string, mixed>  $in */
    private function planned(array $in): Planned
    {
        return new Planned(
            array_keys(array_filter($in, fn (mixed $from) => \is_string($from) && preg_match('/^\$(line|param)\b/', $from) === 1)),
        );
    }

    /** @param  RuleText  $rule */
    private function ruling(array $rule, ?Calculates $about): Ruling
    {
        $judges = $rule['judges'] ?? $this->judges;
        $counting = match (true) {
            \is_array($judges) => array_values(array_map(Verdict::from(...), $judges)),
            $judges === false => [],
            default => Verdict::cases(),
        };
        $own = $rule['own_verdict'] ?? true;
        $speaks = $about !== null && \in_array('verdict', $about->gives, true);
        $limits = [];
        foreach ($rule['limits'] ?? [] as $i => $limit) {
            $limits[] = (new LimitCompiler($this->saying()->below("limits[{$i}]")))->compile($limit, $about);
        }
        if ($counting !== [] && $limits === [] && $about !== null && ! ($own && $speaks)) {
            $this->nothingJudges($rule, $own);
        }

        return new Ruling($counting, $own, $speaks, $limits, isset($rule['excuse']) ? $this->excuse($rule['excuse'], $about) : null);
    }

    /** @param  RuleText  $rule */
    private function nothingJudges(array $rule, bool $own): void
    {
        if (! $own) {
            $this->reader->below('own_verdict')->fault('is false and there are no limits: nothing would be judged');
        } elseif (($rule['judges'] ?? true) !== self::COMPUTED) {
            $this->reader
                ->below('calc')
                ->remark(
                    "{$rule['calc']} says no verdict: give it limits, or \"judges\": false, ".
                        'or "computed" where it is good that it can be computed',
                );
        }
    }

    /** @param  ExcuseText  $excuse */
    private function excuse(array $excuse, ?Calculates $about): Excuse
    {
        $at = $this->reader->below('excuse');
        if ($about !== null) {
            Codes::mustExist($at->below('codes'), $about->name, $excuse['of'], array_values($excuse['codes']));
        }

        return new Excuse(
            $excuse['of'],
            array_values($excuse['codes']),
            $at->below('when')->conditions($excuse['when']),
            Verdict::from($excuse['as']),
        );
    }

    /**
     * @param  RuleText  $rule
     * @return list<Say>
     */
    private function says(array $rule, Calculates $about, ?Cites $limit, Ruling $ruling): array
    {
        $says = [];
        foreach ($rule['say'] ?? [] as $i => $say) {
            $at = $this->saying()->below("say[{$i}]");
            $says[$i] = $this->say($say, $about, $limit, $at);
        }
        if (! $this->judges && $says !== []) {
            $this->reader->below('say')->remark('is never said: a guide says its text');
        } elseif ($this->judges && $ruling->computesOnly()) {
            (new FindingCheck($this->reader, $about))->check($rule['say'] ?? []);
        } elseif ($this->judges) {
            (new SpeechCheck($this->reader, $about))->check($says, $ruling, ($rule['own_verdict'] ?? true), $rule);
        }

        return array_values($says);
    }

    /** @param  SayText  $say */
    private function say(array $say, Calculates $about, ?Cites $limit, Reader $at): Say
    {
        [$list, $code] = isset($say['has']) ? [...explode(':', $say['has'], 2), null] : [null, null];
        if ($list !== null) {
            Codes::mustExist($at->below('has'), $about->name, $list, $code === null ? [] : [$code]);
            $at = $at->from($at->here->saying('event'));
        }

        return new Say(
            isset($say['verdict']) ? array_map(Verdict::from(...), array_values((array) $say['verdict'])) : Verdict::cases(),
            $at->below('text')->sentence($say['text']), $at->below('do')->sentence($say['do'] ?? ''), $list, $code,
            \array_key_exists('limit', $say) ? $this->limit($say['limit'], $at->below('limit')) : $limit,
        );
    }

    /** From where the result of the calculation itself is known. */
    private function saying(): Reader
    {
        return $this->reader->from($this->reader->here->saying());
    }

    private function limit(mixed $name, Reader $at): ?Cites
    {
        if (\is_array($name)) {
            /** @var LimitReadText $name by the schema */
            return $this->read($name, $at);
        }
        if ($name === true) {
            $at->fault('must be the name of a parameter, or false for none');
        }
        if (! \is_string($name)) {
            return null;
        }
        $parameters = $at->vocabulary->parameters;
        if (! isset($parameters[$name])) {
            $at->fault("\"{$name}\" is not among the parameters; ".Nearest::to($name, array_keys($parameters)));
        }

        return $parameters[$name] ?? null;
    }

    /** @param  LimitReadText  $limit */
    private function read(array $limit, Reader $at): LimitRead
    {
        $path = explode('.', $limit['of']);

        return new LimitRead($path[\count($path) - 1], $at->below('of')->path($limit['of']), $limit['label'], $limit['source']);
    }
}
