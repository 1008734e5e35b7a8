<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Compile;

/** What was probably meant by a misspelt word. */
final class Nearest
{
    /** Of words that are quoted; a longer one is no slip. */
    public const LONGEST = 60;

    private const MOST_LISTED = 24;

    /**
     * @param  array<string>  $known
     * @return string ending of a sentence: `did you mean "judge"?`, or what is known
     */
    public static function to(string $word, array $known): string
    {
        $list =
            $known === []
                ? 'nothing is known here'
                : 'known are '.
                    implode(', ', \array_slice(array_values($known), 0, self::MOST_LISTED)).
                    (\count($known) > self::MOST_LISTED ? ' and others' : '');
        if (\strlen($word) > self::LONGEST) {
            return $list;
        }
        // Two letters that changed places are two edits.
        $edits = \strlen($word) < 4 ? 1 : max(2, intdiv(\strlen($word), 3));
        $near = array_filter($known, fn (string $k) => levenshtein(strtolower($word), strtolower($k)) <= $edits);
        usort(
            $near,
            fn (string $a, string $b) => levenshtein($word, $a) <=> levenshtein($word, $b) ?:
            similar_text($word, $b) <=> similar_text($word, $a),
        );

        return $near === [] ? $list : "did you mean \"{$near[0]}\"?";
    }

    public static function quoted(string $word): string
    {
        return '"'.mb_strimwidth($word, 0, self::LONGEST, '…').'"';
    }
}
