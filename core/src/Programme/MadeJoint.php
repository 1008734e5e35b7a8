<?php

declare(strict_types=1);

namespace Diastoma\Core\Programme;

use Diastoma\Core\Calculation\Field\Instant;
use Diastoma\Core\Calculation\Field\Text;

/** When the acts of a joint were that is made. */
final readonly class MadeJoint
{
    public function __construct(
        #[Text('joint')] public string $joint,
        #[Instant('first_at', about: 'first entry')] public ?\DateTimeImmutable $firstAt = null,
        #[Instant('ready_at', about: 'last entry before it was fitted')] public ?\DateTimeImmutable $readyAt = null,
        #[Instant('fused_from', about: 'power on')] public ?\DateTimeImmutable $fusedFrom = null,
        #[Instant('joined_at', about: 'power off, or fitted')] public ?\DateTimeImmutable $joinedAt = null,
        #[Instant('free_at', about: 'clamps off')] public ?\DateTimeImmutable $freeAt = null,
        #[Instant('cold_at', about: 'cold from, by its clock')] public ?\DateTimeImmutable $coldAt = null,
        #[Instant('test_from', about: 'by its clock')] public ?\DateTimeImmutable $testFrom = null,
    ) {
    }
}
