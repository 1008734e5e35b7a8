<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Compile;

use Diastoma\Core\Calculation\Registry;

/** Can a list of a calculation's result hold a code? */
final class Codes
{
    /** @param  list<string>  $codes */
    public static function mustExist(Reader $reader, string $calculation, string $list, array $codes): void
    {
        $about = Registry::standard()->about($calculation);
        $known = $about->codes[$list] ?? null;
        if ($known === null) {
            $reader->fault("\"{$list}\" of {$calculation} holds no codes; ".Nearest::to($list, array_keys($about->codes)));

            return;
        }
        foreach ($codes as $code) {
            if (! self::fits($code, $known)) {
                $reader->fault("\"{$code}\" is no code in {$list} of {$calculation}; ".Nearest::to($code, $known));
            }
        }
    }

    /** @param  list<string>  $known  a star stands for what depends on the inputs */
    public static function fits(string $code, array $known): bool
    {
        foreach ($known as $one) {
            if (
                $code === $one ||
                (str_ends_with($one, '*') && str_starts_with($code, substr($one, 0, -1)) && \strlen($code) >= \strlen($one))
            ) {
                return true;
            }
        }

        return false;
    }
}
