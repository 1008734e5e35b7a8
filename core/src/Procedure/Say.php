<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

use Diastoma\Core\Verdict;

/** One sentence of a rule: for which verdicts, for which code of the result, on which limit. */
final readonly class Say
{
    /**
     * @param  list<Verdict>  $verdicts  those it is for
     * @param  string|null  $list  of the result, whose entries it looks at; null: it is for the verdict as a whole
     * @param  string|null  $code  that the list must hold; null: any entry
     * @param  Parameter|null  $limit  what it stands on
     */
    public function __construct(
        public array $verdicts,
        public Sentence $text,
        public Sentence $do,
        public ?string $list,
        public ?string $code,
        public ?Parameter $limit,
    ) {
    }

    /**
     * The entry of the result that it speaks of.
     *
     * @param  array<string, mixed>  $result
     * @return array<string, mixed>|null null when there is none
     */
    public function entry(array $result): ?array
    {
        $held = $result[$this->list] ?? [];
        $held = is_array($held) ? $held : [$held];
        foreach ($held as $entry) {
            $code = (string) (is_array($entry) ? ($entry['code'] ?? '') : $entry);
            if ($this->code === null || $code === $this->code) {
                return is_array($entry) ? $entry : [];
            }
        }

        return null;
    }
}
