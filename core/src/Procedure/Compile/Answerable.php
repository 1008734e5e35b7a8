<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Compile;

/** Can a condition ever hold? What is compared must be among what can be answered. */
final readonly class Answerable
{
    public function __construct(private Reader $reader)
    {
    }

    /** @param  string  $word  is, not, in, min, max */
    public function check(mixed $of, string $word, mixed $with): void
    {
        $answers = \is_string($of) ? $this->answers($of) : null;
        if ($answers === null) {
            return;
        }
        foreach ($word === 'in' && \is_array($with) ? $with : [$with] as $one) {
            $isPath = \is_string($one) && str_starts_with($one, '$') || \is_array($one);
            if (! $isPath && ! \in_array($one, $answers, true)) {
                $shown = array_map(fn (mixed $a) => \is_bool($a) ? ($a ? 'true' : 'false') : (\is_scalar($a) ? (string) $a : ''), $answers);
                $this->reader->fault(
                    (\is_scalar($one) ? Nearest::quoted(\is_bool($one) ? ($one ? 'true' : 'false') : (string) $one) : 'this').
                        ' is never answered there; '.
                        Nearest::to(\is_string($one) ? $one : '', $shown),
                );
            }
        }
    }

    /** @return list<mixed>|null all that can be answered; null where it is no choice */
    private function answers(string $path): ?array
    {
        $parts = explode('.', $path);
        if ($parts[0] === '$line') {
            return LineNames::WORDS[$parts[1] ?? ''] ?? null;
        }
        $own = $parts[0] === '$fact';
        $key = $own
            ? (string) $this->reader->here->key()
            : $this->reader->vocabulary->keys($parts[1] ?? '', $this->reader->here->side)[0] ?? '';
        if ((! $own && $parts[0] !== '$step') || $key === '' || \count($parts) !== ($own ? 2 : 3)) {
            return null;
        }
        $field = $this->reader->vocabulary->field($key, $parts[$own ? 1 : 2]);

        return match ($field['type'] ?? null) {
            'yesno' => [true, false],
            'choice' => array_column($field['options'] ?? [], 'value'),
            default => null,
        };
    }
}
