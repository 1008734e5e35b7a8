<?php

declare(strict_types=1);

namespace Diastoma\Core\Pipe;

use Diastoma\Core\Calculation\Given;
use Diastoma\Core\Calculation\Registry;
use Diastoma\Core\Refused;

/**
 * What a pipe is, from how it is ordered: material, nominal size in its series, wall or ratio of diameter to wall.
 *
 * Series: `metric` (nominal is the outside diameter, mm), `ips` and `dips` (nominal in inch: iron-pipe and ductile-iron
 * outside diameters), `dn` (nominal is the DN of an iron pipe, which is no length), `dn-od` and `in-od` (nominal is a DN or
 * inch, and no table knows the outside diameter: it is given, as the wall is).
 */
final readonly class PipeSize
{
    private const SERIES = ['metric' => 'iso-161', 'ips' => 'ips', 'dips' => 'awwa-ciod', 'dn' => 'en-545'];

    /** Of these the outside diameter is given with the size: makers differ. */
    private const MEASURED = ['dn-od', 'in-od'];

    /** In these the nominal size is said in inch. */
    private const IN_INCH = ['ips', 'dips', 'in-od'];

    /** Outside diameter against nominal size: thin GRP is a little below its DN, thick concrete far above. */
    private const LEAST_OD = 0.9;

    private const MOST_OD = 1.8;

    private const INCH_MM = 25.4;

    public function __construct(private Registry $registry)
    {
    }

    /** @return list<string> */
    public static function series(): array
    {
        return [...array_keys(self::SERIES), ...self::MEASURED];
    }

    /**
     * @param  array<string, mixed>  $ordered  material, nominal (or dn_mm in the metric series), series, sdr, wall_mm, od_mm
     * @param  string  $service  water, sewer or gas
     * @return array<string, mixed> material, series, nominal, nominal_mm, nominal_in, size, dn_mm, od_mm, sdr, wall_mm, wall_as, and what
     *                               the material brings along
     *
     * @throws Refused for a size that is not tabled, and a wall that is none
     */
    public function of(array $ordered, string $service): array
    {
        $material = self::word($ordered, 'material') ?? throw Refused::field('material', 'material is missing.');
        $series = self::word($ordered, 'series') ?? 'metric';
        $nominal = self::number($ordered, 'nominal') ?? self::number($ordered, 'dn_mm')
            ?? throw Refused::field('nominal', 'nominal is missing: the size of the pipe.');
        $brought = Material::startValues($material);
        \in_array($series, self::series(), true) ||
            throw Refused::field('series', "series \"{$series}\" is not known; known are ".implode(', ', self::series()).'.');
        $sold = Material::ordered()[$material]['series'];
        \in_array($series, $sold, true) ||
            throw Refused::field('series', "series \"{$series}\" does not go with {$material}; it comes in ".implode(', ', $sold).'.');
        [$od, $wall, $sdr] = \in_array($series, self::MEASURED, true)
            ? self::given($ordered, $series, $nominal)
            : $this->tabled(
                $material,
                $series,
                $nominal,
                self::number($ordered, 'sdr'),
                self::number($ordered, 'wall_mm'),
                $service,
            );
        if ($wall <= 0 || $wall >= $od / 5) {
            throw Refused::field(
                'wall_mm',
                "wall_mm is {$wall} mm; a wall is more than 0 and less than a fifth of the diameter, ".$od / 5 .' mm.',
            );
        }

        $nominalMm = self::nominalMm(['series' => $series, 'nominal' => $nominal]);

        return [
            'material' => $material,
            'series' => $series,
            'nominal' => $nominal,
            'size' => match ($series) {
                'metric' => (string) $nominal,
                'dn', 'dn-od' => "DN {$nominal}",
                'in-od' => "{$nominal} in",
                default => "{$nominal} in ".strtoupper($series),
            },
            'dn_mm' => $series === 'metric' ? $nominal : round($od, 1),
            'od_mm' => $od,
            'sdr' => $sdr,
            'wall_mm' => $wall,
            'wall_as' => Material::ordered()[$material]['wall'],
            'nominal_mm' => $nominalMm,
            'nominal_in' => round($nominalMm / self::INCH_MM, 3),
        ] + $brought;
    }

    /**
     * The nominal size as a length, mm, as the make-up methods want it: an inch size is not its outside diameter, nor is a DN.
     *
     * @param  array<string, mixed>  $pipe  as {@see of()} gives it; older ones say an inch size only in words
     */
    public static function nominalMm(array $pipe): float
    {
        $series = self::word($pipe, 'series') ?? 'metric';
        $said = preg_match('/\d+(\.\d+)?/', self::word($pipe, 'size') ?? '', $found) === 1 ? (float) $found[0] : null;
        $nominal = self::number($pipe, 'nominal') ?? $said ?? self::number($pipe, 'dn_mm') ?? 0.0;

        return \in_array($series, self::IN_INCH, true) ? self::INCH_MM * $nominal : $nominal;
    }

    /**
     * @param  array<string, mixed>  $ordered
     * @return array{float, float, float} outside diameter, mm; wall, mm; ratio
     */
    private static function given(array $ordered, string $series, float $nominal): array
    {
        $od = self::number($ordered, 'od_mm')
            ?? throw Refused::field('od_mm', 'od_mm is missing: makers differ in it, the paper of the pipe says it.');
        $wall = self::number($ordered, 'wall_mm')
            ?? throw Refused::field('wall_mm', 'wall_mm is missing: the paper of the pipe says it.');
        $nominalMm = $series === 'in-od' ? self::INCH_MM * $nominal : $nominal;
        // A diameter in inch, or that of another size, would pass for this one.
        if ($od < self::LEAST_OD * $nominalMm || $od > self::MOST_OD * $nominalMm) {
            throw Refused::field('od_mm', sprintf(
                'od_mm is %s mm; a pipe of this size is %s to %s mm outside.',
                $od,
                round(self::LEAST_OD * $nominalMm),
                round(self::MOST_OD * $nominalMm),
            ));
        }
        $wall > 0 || throw Refused::field('wall_mm', "wall_mm is {$wall} mm; a wall is more than 0.");

        return [$od, $wall, round($od / $wall, 1)];
    }

    /** @return array{float, float, float} outside diameter, mm; wall, mm; ratio */
    private function tabled(string $material, string $series, float $nominal, ?float $sdr, ?float $wall, string $service): array
    {
        if ($material === 'PE100' && $series === 'metric') {
            $sdr ?? throw Refused::field('sdr', 'sdr is missing.');
            $table = $this->registry->run('pe-pipe-metric', [
                'dn_mm' => $nominal,
                'sdr' => $sdr,
                'service' => $service === 'gas' ? 'gas' : 'water',
            ]);

            return [$nominal, Given::number($table, 'e_min_mm'), $sdr];
        }
        $table = $this->registry->run('pipe-od', ['series' => self::SERIES[$series], 'nominal' => $nominal]);
        $od = 1000 * Given::number($table, 'od_m');
        if ($wall === null && $sdr === null && Material::ordered()[$material]['wall'] === 'class') {
            $wall = IronWall::usual($series, $nominal);
        }
        if ($wall === null && $sdr === null) {
            throw Refused::field('sdr', 'Give sdr or wall_mm.');
        }
        if ($wall === null && $material === 'PE100') {
            $wall = self::INCH_MM * Given::number($this->registry->run('pe-pipe-us', ['od_mm' => $od, 'dr' => $sdr]), 'wall_min_in');
        }

        return [$od, round($wall ?? $od / $sdr, \in_array($series, ['metric', 'dn'], true) ? 1 : 2), $sdr ?? round($od / $wall, 1)];
    }

    /** @param  array<string, mixed>  $ordered */
    private static function word(array $ordered, string $key): ?string
    {
        return \is_string($ordered[$key] ?? null) ? $ordered[$key] : null;
    }

    /** @param  array<string, mixed>  $ordered */
    private static function number(array $ordered, string $key): ?float
    {
        return is_numeric($ordered[$key] ?? null) ? (float) $ordered[$key] : null;
    }
}
