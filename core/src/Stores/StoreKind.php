<?php

declare(strict_types=1);

namespace Diastoma\Core\Stores;

use Diastoma\Core\Data;
use Diastoma\Core\Procedure\Fact;
use Diastoma\Core\Procedure\Judge;
use Diastoma\Core\Procedure\Judgement;
use Diastoma\Core\Procedure\Procedure;
use Diastoma\Core\Procedure\Words;
use Diastoma\Core\Refused;

/**
 * A kind of thing that is kept in the stores: cards, boxes, tools, sources of power, layouts of codes. What is asked of
 * it and how it stands on a day is data, judged by the same engine as a joint.
 */
final readonly class StoreKind
{
    private const STEP = 'thing';

    /** What a thing can be to the days of a line. */
    private const MEANS = ['clamps', 'boxes'];

    /**
     * @param  array<string, mixed>  $raw
     * @param  string|null  $means  what it is to the days of a line: so many joints stand in clamps, so many are fused; null: nothing
     */
    private function __construct(public string $kind, public array $raw, private Procedure $procedure, public ?string $means)
    {
    }

    /** @return array<string, self> by kind, in the order in which a crew thinks of them */
    public static function all(): array
    {
        static $all = null;
        if ($all === null) {
            $all = [];
            /** @var list<array{kind: string, title: string, rank: int, fields: mixed, judge: mixed, summary: mixed}> $kinds */
            $kinds = array_map(Data::json(...), Data::files('stores'));
            usort($kinds, fn (array $a, array $b) => $a['rank'] <=> $b['rank']);
            foreach ($kinds as $raw) {
                $step = [
                    'id' => self::STEP,
                    'kind' => 'number',
                    'title' => $raw['title'],
                    'fields' => $raw['fields'],
                    'judge' => $raw['judge'],
                    'summary' => $raw['summary'],
                ];
                $all[$raw['kind']] = new self(
                    $raw['kind'],
                    $raw,
                    Procedure::from([
                        'id' => 'store-'.$raw['kind'],
                        'version' => '1',
                        'title' => $raw['title'],
                        'joint_type' => 'store',
                        'steps' => [$step],
                    ]),
                    self::meansOf($raw),
                );
            }
        }

        return $all;
    }

    /** @param  array<string, mixed>  $raw */
    private static function meansOf(array $raw): ?string
    {
        $means = $raw['means'] ?? null;

        return $means === null || \in_array($means, self::MEANS, true)
            ? $means
            : throw new \LogicException('means of '.json_encode($raw['kind'] ?? null).' is none of '.implode(', ', self::MEANS));
    }

    /** @throws Refused for a kind that is not kept */
    public static function of(string $kind): self
    {
        return self::all()[$kind] ??
            throw Refused::field(
                'kind',
                "kind \"{$kind}\" is not kept in the stores; kept are ".implode(', ', array_keys(self::all())).'.',
            );
    }

    /**
     * @param  array<string, mixed>  $values
     * @return array<string, mixed> as they are stored
     *
     * @throws Refused every fault with its field
     */
    public function checked(array $values): array
    {
        return $this->procedure->steps[0]->normalise($values);
    }

    /**
     * How a thing stands at a moment.
     *
     * @param  array<string, mixed>  $values  as stored
     */
    public function judged(array $values, \DateTimeImmutable $now, string $timeZone = 'UTC'): Judgement
    {
        return Judge::judge($this->procedure, [new Fact('thing', self::STEP, $values, $now)], ['time_zone' => $timeZone], $now);
    }

    /**
     * What is known of a thing of this kind.
     *
     * @param  array<string, mixed>  $values
     * @return list<string> "Calibrated until: 31 Jan 2030"
     */
    public function words(array $values, Words $words): array
    {
        return $words->fields($this->procedure->steps[0]->fields, $values);
    }
}
