<?php

declare(strict_types=1);

namespace Diastoma\Core;

/** The core's own data folder: pipe tables, procedures, test methods. Nothing else is ever read. */
final class Data
{
    public static function folder(): string
    {
        return \dirname(__DIR__).'/data';
    }

    /** @return array<string, mixed> */
    public static function json(string $file): array
    {
        static $read = [];

        return $read[$file] ??= json_decode((string) file_get_contents(self::folder().'/'.$file), true, 64, JSON_THROW_ON_ERROR);
    }

    /** @return list<string> file names in a folder of the data, sorted */
    public static function files(string $folder): array
    {
        return array_map(fn ($path) => $folder.'/'.basename($path), glob(self::folder()."/{$folder}/*.json") ?: []);
    }
}
