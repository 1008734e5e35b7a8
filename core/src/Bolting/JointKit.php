<?php

declare(strict_types=1);

namespace Diastoma\Core\Bolting;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Flag;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Refused;

/** What must be on the truck before the trench is opened. A size that is not tabled is refused, never guessed. */
#[Calculates(
    'joint-kit',
    'What must be on the truck for these joints?',
    Family::Mechanical,
    ['quantities', 'bolts_per_joint', 'bolt', 'bolt_circle_m', 'source'],
    'AWWA C111 (from memory), ASME B16.1, AWWA C110, EN 1092; see core/data/mechanical/bolt-tables.json',
)]
final class JointKit
{
    private const SLACK = 1e-9;

    /** Gaskets of one joint. */
    private const GASKETS = ['gland' => 1, 'flange' => 1, 'coupling' => 2];

    /** @return array<string, mixed> */
    public function __invoke(
        #[Number('joints', min: 1, whole: true)] float $joints,
        #[Choice('kind', ['gland', 'flange', 'coupling'])] string $kind,
        #[Number('spare_frac', min: 0, max: 1)] float $spare,
        #[Number('size_in', above: 0)] ?float $inches = null,
        #[Number('dn', above: 0)] ?float $dn = null,
        #[Choice('rating', ['class125', 'pn10', 'pn16'])] ?string $rating = null,
        #[Number('washers_per_bolt', min: 0, max: 4, whole: true)] ?float $washers = null,
        #[Number('bolts_per_joint', min: 1, max: 64, whole: true, about: 'by its label')] ?float $byLabel = null,
        #[Flag('studs', about: 'stud bolts: two nuts each')] bool $studs = false,
    ): array {
        $row = $this->row($kind, $inches, $dn, $rating, $byLabel);
        $n = $row['bolts'];
        $each = [
            't_bolts' => $kind === 'gland' ? $n : 0, 'glands' => $kind === 'gland' ? 1 : 0, 'gaskets' => self::GASKETS[$kind],
            'bolts' => $kind === 'gland' ? 0 : $n, 'nuts' => $n * ($studs ? 2 : 1), 'washers' => (int) ($washers ?? 0) * $n,
        ];

        return [
            'quantities' => array_map(fn (int $of) => (int) ceil($of * $joints * (1 + $spare) - self::SLACK), $each),
            'bolts_per_joint' => $n, 'bolt' => $row['bolt'] ?? null, 'bolt_circle_m' => $row['circle_m'] ?? null,
            'source' => $row['source'],
        ];
    }

    /** @return array{bolts: int, bolt?: string, circle_m?: float, source: string} */
    private function row(string $kind, ?float $inches, ?float $dn, ?string $rating, ?float $byLabel): array
    {
        if ($kind === 'coupling') {
            return $byLabel === null
                ? throw Refused::field('kind', 'kind is coupling: how many bolts it has stands on its label (bolts_per_joint).')
                : ['bolts' => (int) $byLabel, 'source' => 'the label'];
        }
        [$table, $key, $size] = match (true) {
            $kind === 'gland' => ['gland', 'size_in', $inches],
            $rating === 'pn10', $rating === 'pn16' => [$rating, 'dn', $dn],
            $rating === 'class125' => ['class125', 'size_in', $inches],
            default => throw Refused::field('rating', 'rating is missing: flanges of one size are drilled differently.'),
        };

        return BoltTable::row($table, $size ?? throw Refused::field($key, "{$key} is missing."), $key);
    }
}
