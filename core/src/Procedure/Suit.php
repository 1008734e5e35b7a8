<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

/** One thing that a pipe must be for a procedure to be meant for it, and why. */
final readonly class Suit
{
    /**
     * @param  'material'|'service'|'dn_mm'|'sdr'  $of
     * @param  list<string>  $in  what it may be; empty where it is a figure
     * @param  float|null  $min  in the unit of its key
     * @param  float|null  $max  in the unit of its key
     * @param  string  $why  a sentence
     */
    public function __construct(public string $of, public array $in, public ?float $min, public ?float $max, public string $why)
    {
    }

    /**
     * Why a pipe does not suit. What is not known of it says nothing against it, and nothing for it.
     *
     * @param  array<string, mixed>  $pipe  material, service, dn_mm, sdr, as far as they are known
     */
    public function against(array $pipe): ?string
    {
        $is = $pipe[$this->of] ?? null;
        if (! \is_scalar($is) || $this->holds($is)) {
            return null;
        }

        return "It is for {$this->wanted()}, and this is {$this->said((string) $is)}. {$this->why}";
    }

    /**
     * @param  iterable<self>  $suits
     * @param  array<string, mixed>  $pipe  material, service, dn_mm, sdr, as far as they are known
     * @return list<string> why it does not suit them
     */
    public static function allAgainst(iterable $suits, array $pipe): array
    {
        $reasons = [];
        foreach ($suits as $suit) {
            $why = $suit->against($pipe);
            if ($why !== null) {
                $reasons[] = $why;
            }
        }

        return $reasons;
    }

    private function holds(mixed $is): bool
    {
        if ($this->in !== []) {
            return \in_array($is, $this->in, true);
        }

        return is_numeric($is) && ($this->min === null || $is >= $this->min) && ($this->max === null || $is <= $this->max);
    }

    private function wanted(): string
    {
        if ($this->in !== []) {
            return implode(' or ', $this->in);
        }
        [$from, $to] = [$this->said((string) $this->min), $this->said((string) $this->max)];

        return match (null) {
            $this->max => "{$from} and more",
            $this->min => "{$to} at most",
            default => "{$from} to {$to}",
        };
    }

    private function said(string $value): string
    {
        return match ($this->of) {
            'dn_mm' => "{$value} mm",
            'sdr' => "SDR {$value}",
            default => $value,
        };
    }
}
