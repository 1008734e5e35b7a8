<?php

declare(strict_types=1);

namespace Diastoma\Core\Covering;

use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Flag;
use Diastoma\Core\Calculation\Field\Instant;
use Diastoma\Core\Calculation\Field\Text;
use Diastoma\Core\Verdict;

/** A joint that disappears when a stretch is covered. */
final readonly class JointInStretch
{
    public Verdict $verdict;

    public function __construct(
        #[Text('number', longest: 40)] public string $number,
        #[Flag('made', about: 'all of its steps are recorded, signatures apart')] public bool $made,
        #[Choice('verdict', ['good', 'close', 'bad', 'open'])] string $verdict,
        #[Instant('cover_from', about: 'it is not covered before')] public ?\DateTimeImmutable $coverFrom = null,
    ) {
        $this->verdict = Verdict::from($verdict);
    }
}
