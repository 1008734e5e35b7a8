<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

use Diastoma\Core\Refused;

/** The time column of a logger's file, in whatever of the usual forms it is written. Seconds on the file's own clock. */
final class LoggerTimes
{
    private const SPREADSHEET_EPOCH_DAY = 25569;

    /** @var array<string, int> date with offset => timestamp of its midnight */
    private array $midnights = [];

    /** All but the seconds of a line, and the second it stands for: in a fast log most lines repeat it. */
    private string $minuteText = '';

    private float $minuteAt = 0;

    /** @param  'DMY'|'MDY'|null  $order  of dates with slashes */
    public function __construct(private readonly ?string $order)
    {
    }

    /** Says its text in which zone it is: an offset, or seconds since 1970? */
    public static function hasZone(string $text): bool
    {
        return preg_match('/^\d{10}|(Z|[+-]\d\d:?\d\d)$/', trim($text)) === 1;
    }

    /**
     * The order of day and month, when any line tells it.
     *
     * @param  iterable<string>  $texts
     * @return 'DMY'|'MDY'|null
     */
    public static function orderTold(iterable $texts): ?string
    {
        $order = null;
        foreach ($texts as $text) {
            if ($order === null && str_contains($text, '/') && preg_match('#^(\d{1,2})/(\d{1,2})/\d{4}#', $text, $m) === 1) {
                $order = (int) $m[1] > 12 ? 'DMY' : ((int) $m[2] > 12 ? 'MDY' : null);
            }
        }

        return $order;
    }

    /**
     * @param  int  $line  of the file, for the sentence
     *
     * @throws Refused
     */
    public function seconds(string $text, int $line): float
    {
        if (
            $this->minuteText !== '' &&
            \strlen($text) === 19 &&
            str_starts_with($text, $this->minuteText) &&
            strspn($text, '0123456789', 17) === 2 &&
            $text[17] < 6
        ) {
            return $this->minuteAt + (float) substr($text, 17);
        }
        if (preg_match('/^\d{13}$/', $text) === 1) {
            return (float) $text / 1000;
        }
        if (preg_match('/^\d{10}(\.\d+)?$/', $text) === 1) {
            return (float) $text;
        }
        if (preg_match('/^\d{5}([.,]\d+)?$/', $text) === 1) {
            return round(((float) str_replace(',', '.', $text) - self::SPREADSHEET_EPOCH_DAY) * 86400, 3);
        }
        $clock = '(?:[T ,]+(\d{1,2}):(\d\d)(?::(\d\d(?:[.,]\d+)?))?\s*([AaPp][Mm])?)?\s*(Z|[+-]\d\d:?\d\d)?';
        if (preg_match('/^(\d{4})-(\d\d)-(\d\d)'.$clock.'$/', $text, $m) === 1) {
            return $this->moment($text, $line, (int) $m[1], (int) $m[2], (int) $m[3], $m);
        }
        if (preg_match('/^(\d{1,2})\.(\d{1,2})\.(\d{4})'.$clock.'$/', $text, $m) === 1) {
            return $this->moment($text, $line, (int) $m[3], (int) $m[2], (int) $m[1], $m);
        }
        if (preg_match('#^(\d{1,2})/(\d{1,2})/(\d{4})'.$clock.'$#', $text, $m) === 1) {
            [$day, $month] = match ($this->order) {
                'DMY' => [(int) $m[1], (int) $m[2]], 'MDY' => [(int) $m[2], (int) $m[1]],
                default => throw Refused::field('date_order', "date_order: \"{$text}\" can be day/month or month/day; say which."),
            };

            return $this->moment($text, $line, (int) $m[3], $month, $day, $m);
        }
        throw Refused::field(
            'time',
            "time, line {$line}: \"".mb_substr($text, 0, 40).'" is no time that is known here; write 2026-05-04T14:10:00.',
        );
    }

    /** @param  array<int, string>  $m */
    private function moment(string $text, int $line, int $year, int $month, int $day, array $m): float
    {
        $hour = (int) ($m[4] ?? 0);
        $half = strtolower($m[7] ?? '');
        if ($half !== '') {
            $hour = $hour % 12 + ($half === 'pm' ? 12 : 0);
        }
        $second = (float) str_replace(',', '.', ($m[6] ?? '') ?: '0');
        if (! checkdate($month, $day, $year) || $hour > 23 || (int) ($m[5] ?? 0) > 59 || $second >= 60) {
            throw Refused::field('time', "time, line {$line}: \"{$text}\" is no date or time of day.");
        }
        $offset = ($m[8] ?? '') === '' || $m[8] === 'Z' ? 'Z' : $m[8];
        $date = sprintf('%04d-%02d-%02dT00:00:00%s', $year, $month, $day, $offset);
        $this->midnights[$date] ??= (new \DateTimeImmutable($date))->getTimestamp();
        $minute = $this->midnights[$date] + 3600.0 * $hour + 60 * (int) ($m[5] ?? 0);
        if (\strlen($text) === 19 && $text[16] === ':' && $half === '' && ($m[8] ?? '') === '') {
            [$this->minuteText, $this->minuteAt] = [substr($text, 0, 17), $minute];
        }

        return $minute + $second;
    }
}
