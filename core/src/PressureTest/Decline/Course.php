<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest\Decline;

/** One way in which a pressure may have fallen, fitted to a hold. */
final readonly class Course
{
    /** A memory of the residuals beyond that is cut. */
    private const MOST_MEMORY = 0.9;

    /**
     * @param  'leak'|'exp'|'power'|'exp+leak'|'power+leak'  $name
     * @param  list<float>  $residuals  kPa
     * @param  int  $parameters  how many were fitted
     * @param  float  $rate  kPa/s that is lost for good, at the start
     * @param  float|null  $tau  s, of the exponential
     * @param  float|null  $n  exponent of the creep
     */
    public function __construct(
        public string $name,
        public array $residuals,
        public int $parameters,
        public float $rate = 0.0,
        public ?float $tau = null,
        public ?float $n = null,
    ) {
    }

    /** @return 'leak'|'stabilising'|'creep' */
    public function class(): string
    {
        return match ($this->name) {
            'exp' => 'stabilising', 'power' => 'creep', default => 'leak',
        };
    }

    /** A leak beneath another course. */
    public function isCombined(): bool
    {
        return str_contains($this->name, '+');
    }

    public function squares(): float
    {
        return LeastSquares::product($this->residuals, $this->residuals);
    }

    /** Correlation of neighbouring residuals, 0 to 0.9. */
    public function memory(): float
    {
        $squares = $this->squares();
        $lagged = LeastSquares::product(\array_slice($this->residuals, 1), \array_slice($this->residuals, 0, -1));

        return $squares > 0 ? max(0.0, min(self::MOST_MEMORY, $lagged / $squares)) : 0.0;
    }

    /**
     * Bayesian information criterion; lower is better.
     *
     * @param  float  $independent  how many of the residuals are
     * @param  float  $least  kPa: what no fit can be better than
     */
    public function bic(float $independent, float $least): float
    {
        $n = \count($this->residuals);

        return $independent * log(max($this->squares(), $n * $least ** 2) / $n) + $this->parameters * log($independent);
    }
}
