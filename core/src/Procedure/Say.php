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
     * @param  string|null  $code  that the list must hold, with a star at its end for several; null: any entry
     * @param  Cites|null  $limit  what it stands on
     */
    public function __construct(
        public array $verdicts,
        public Sentence $text,
        public Sentence $do,
        public ?string $list,
        public ?string $code,
        public ?Cites $limit,
    ) {
    }

    /**
     * The entries of the result that it speaks of: one, or with a star every one that fits.
     *
     * @param  array<string, mixed>  $result
     * @return list<array<string, mixed>> of a code that is a word: `code`, and `of`, what stands for the star
     */
    public function entries(array $result): array
    {
        $held = $result[$this->list] ?? [];
        $found = [];
        foreach (\is_array($held) ? $held : [$held] as $entry) {
            $code = \is_array($entry) ? $entry['code'] ?? '' : $entry;
            $code = \is_scalar($code) ? (string) $code : '';
            $of = $this->part($code);
            if ($of !== null) {
                $found[] = (\is_array($entry) ? $entry : ['code' => $code]) + ['of' => $of];
            }
        }

        return $this->isForEach() ? $found : \array_slice($found, 0, 1);
    }

    private function isForEach(): bool
    {
        return $this->code !== null && str_ends_with($this->code, '*');
    }

    /** What stands for the star of its code in a code; nothing without a star; null where it does not fit. */
    private function part(string $code): ?string
    {
        if ($this->code === null || $this->code === $code) {
            return '';
        }
        $start = substr($this->code, 0, -1);

        return $this->isForEach() && str_starts_with($code, $start) ? substr($code, \strlen($start)) : null;
    }
}
