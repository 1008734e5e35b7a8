<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Kind;

use Diastoma\Core\Procedure\Compile\Reader;
use Diastoma\Core\Procedure\Fact;
use Diastoma\Core\Procedure\Known;
use Diastoma\Core\Procedure\Parameter;
use Diastoma\Core\Procedure\Reason;
use Diastoma\Core\Procedure\Sentence;
use Diastoma\Core\Procedure\Spoken;
use Diastoma\Core\Procedure\Step;
use Diastoma\Core\Procedure\Words;
use Diastoma\Core\Refused;
use Diastoma\Core\Verdict;

/** `hold`: somebody else signs, or says why not. */
final readonly class Hold implements Kind
{
    use OneFact;

    private const LEAST_REMARK = 3;

    /**
     * @param  bool  $seals  with it the record is closed
     * @param  bool  $free  it may be signed while other steps are not good
     * @param  bool  $own  who signs says that it is so, and may have recorded all of it
     * @param  list<Parameter>  $toConfirm  limits written down from memory: who signs says of each that he has confirmed it
     */
    public function __construct(
        public bool $seals,
        public bool $free,
        private Sentence $refusedDo,
        public array $toConfirm = [],
        public bool $own = false,
    ) {
    }

    public static function name(): string
    {
        return 'hold';
    }

    public static function read(array $step, Reader $reader): Kind
    {
        return new self(
            $step['seals'] ?? false, $step['free'] ?? false,
            $reader->below('refused_do')->sentence($step['refused_do'] ?? 'Put it right, or cut the joint out.'),
            ($step['confirms'] ?? false)
                ? array_values(array_filter($reader->vocabulary->parameters, fn (Parameter $p) => $p->isFromMemory()))
                : [],
            $step['own'] ?? false,
        );
    }

    public static function keys(): array
    {
        return ['signed', 'remark', 'confirmed', 'photos'];
    }

    public function normalise(Step $step, array $value): array
    {
        if (! \is_bool($value['signed'] ?? null)) {
            throw Refused::field('signed', 'signed must be true or false.');
        }
        if (
            $value['signed'] === false &&
            (! \is_string($value['remark'] ?? null) || mb_strlen(trim($value['remark'])) < self::LEAST_REMARK)
        ) {
            throw Refused::field('remark', 'remark is missing: say why it is not signed.');
        }
        $this->mustConfirm($value);

        return Fields::normalise($step->fields, Fields::photos($value), self::keys());
    }

    /**
     * A signature names each limit that is to be confirmed, and no other.
     *
     * @param  array<string, mixed>  $value
     */
    private function mustConfirm(array $value): void
    {
        $names = array_map(fn (Parameter $p) => $p->name, $this->toConfirm);
        $confirmed = $value['confirmed'] ?? [];
        if (! \is_array($confirmed) || ! array_is_list($confirmed) || array_filter($confirmed, 'is_string') !== $confirmed) {
            throw Refused::field('confirmed', 'confirmed must be a list of names of limits.');
        }
        foreach (array_diff($confirmed, $names) as $name) {
            $known = $names === [] ? 'there is none' : 'known are '.implode(', ', $names);
            throw Refused::field('confirmed', "confirmed: \"{$name}\" is no limit to be confirmed here; {$known}.");
        }
        foreach ($value['signed'] ? $this->toConfirm : [] as $limit) {
            if (! \in_array($limit->name, $confirmed, true)) {
                throw Refused::field(
                    'confirmed',
                    "confirmed is missing {$limit->name}: {$limit->label} was written down from memory ({$limit->source}).",
                );
            }
        }
    }

    public function words(Step $step, array $value, Words $words): array
    {
        return [self::isSigned($value) ? 'Signed' : 'Not signed', ...$words->fields($step->fields, $value)];
    }

    public function says(Step $step, Fact $fact, Known $known): array
    {
        $remark = \is_string($fact->value['remark'] ?? null) ? $fact->value['remark'] : 'no reason written';

        return [
            self::isSigned($fact->value)
                ? Reason::plain(Verdict::Good, "Signed by {$fact->by}.")
                : new Reason(
                    Verdict::Bad,
                    Spoken::plain("{$fact->by} refused to sign: ".rtrim($remark, '. ').'.'),
                    $this->refusedDo->fill($known),
                ),
        ];
    }

    /** @param  array<string, mixed>  $value */
    public static function isSigned(array $value): bool
    {
        return ($value['signed'] ?? null) === true;
    }
}
