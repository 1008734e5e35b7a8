<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Compile;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Procedure\Ruling;
use Diastoma\Core\Procedure\Say;
use Diastoma\Core\Verdict;

/**
 * Is there a sentence for each verdict that can come, and can each sentence be said?
 *
 * What is open because something is not known is said by the engine where a rule has no sentence of its own for it.
 *
 * @phpstan-import-type RuleText from AsWritten
 */
final readonly class SpeechCheck
{
    public function __construct(private Reader $reader, private Calculates $about)
    {
    }

    /**
     * @param  array<int, Say>  $says  by place in the file
     * @param  RuleText  $rule
     */
    public function check(array $says, Ruling $ruling, bool $own, array $rule): void
    {
        if ($says === []) {
            return;
        }
        $possible = array_filter($this->possible($ruling, $own, $rule), $ruling->counts(...));
        $told = [];
        foreach ($says as $i => $say) {
            $new = array_udiff(array_uintersect($say->verdicts, $possible, self::byWord(...)), $told, self::byWord(...));
            if ($new === []) {
                $this->reader->below("say[{$i}]")->remark($this->why($say, $possible));
            }
            if ($say->list === null) {
                array_push($told, ...$new);
            }
        }
        foreach (array_udiff($possible, $told, self::byWord(...)) as $verdict) {
            if ($verdict !== Verdict::Open && ! $this->codesTell($verdict, $says)) {
                $this->reader->below('say')->remark("has no sentence for {$verdict->value}, which {$this->about->name} can come to");
            }
        }
    }

    /** @param  array<Verdict>  $possible */
    private function why(Say $say, array $possible): string
    {
        $words = implode(' or ', array_map(fn (Verdict $v) => $v->value, $say->verdicts));

        return array_uintersect($say->verdicts, $possible, self::byWord(...)) === []
            ? "is never said: this is never {$words}" : "is never said: a sentence before it tells all that is {$words}";
    }

    /**
     * @param  RuleText  $rule
     * @return list<Verdict>
     */
    private function possible(Ruling $ruling, bool $own, array $rule): array
    {
        $speaks = \in_array('verdict', $this->about->gives, true);
        $words = $own ? ($speaks ? $this->about->verdicts : ['good']) : [];
        foreach ($rule['limits'] ?? [] as $limit) {
            array_push($words, 'good', 'bad', ...(($limit['u'] ?? 0) === 0 ? [] : ['close']), ...($own ? [] : ['open']));
        }
        if (isset($rule['excuse'])) {
            $words[] = $rule['excuse']['as'];
        }

        return array_map(Verdict::from(...), array_values(array_unique($words)));
    }

    /**
     * Does some sentence speak for each code by which this verdict can come?
     *
     * @param  array<int, Say>  $says
     */
    private function codesTell(Verdict $verdict, array $says): bool
    {
        foreach ($this->about->codes as $list => $codes) {
            $said = array_filter($says, fn (Say $say) => $say->list === $list && \in_array($verdict, $say->verdicts, true));
            $all = array_filter($said, fn (Say $say) => $say->code === null) !== [];
            $each =
                array_filter(
                    $codes,
                    fn (string $code) => array_filter($said, fn (Say $say) => Codes::fits((string) $say->code, [$code])) === [],
                ) === [];
            if ($said !== [] && ($all || $each)) {
                return true;
            }
        }

        return false;
    }

    private static function byWord(Verdict $one, Verdict $other): int
    {
        return $one->value <=> $other->value;
    }
}
