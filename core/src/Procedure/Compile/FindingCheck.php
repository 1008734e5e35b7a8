<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Compile;

use Diastoma\Core\Calculation\Calculates;

/**
 * What is said of a calculation that judges nothing: it speaks by codes, tells each of a list once, and knows no verdict.
 *
 * @phpstan-import-type SayText from AsWritten
 */
final readonly class FindingCheck
{
    public function __construct(private Reader $reader, private Calculates $about)
    {
    }

    /** @param  array<int, SayText>  $says  by place in the file */
    public function check(array $says): void
    {
        $told = [];
        foreach ($says as $i => $say) {
            $at = $this->reader->below("say[{$i}]");
            if (isset($say['verdict'])) {
                $at->below('verdict')->fault('is never said: the calculation judges nothing; say with "has" of which code it speaks');
            }
            if (! isset($say['has'])) {
                $at->fault('is never said: the calculation judges nothing; say with "has" of which code it speaks');

                continue;
            }
            [$list, $code] = [...explode(':', $say['has'], 2), ''];
            if (\in_array($code, $told[$list] ?? [], true)) {
                $at->below('has')->fault("\"{$say['has']}\" is told above already");
            }
            $told[$list][] = $code;
        }
        foreach ($told as $list => $codes) {
            $silent = array_diff($this->about->codes[$list] ?? [], $codes);
            if (! \in_array('', $codes, true) && $silent !== []) {
                $this->reader->below('say')->remark("has no sentence for {$list} ".implode(', ', $silent));
            }
        }
    }
}
