<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Compile;

/** The words by which a figure is drawn: a misspelt one would draw another joint than the one in the trench. */
final readonly class FigureCheck
{
    /** Shape => key => words that it may hold. */
    private const WORDS = [
        'socket' => [
            'ring' => ['socket', 'rolling', 'groove', 'valley', 'strip'],
            'form' => ['socket', 'sleeve', 'locked'],
            'points_at' => ['ring', 'mark', 'feeler', 'gap', 'lock'],
        ],
        // What is drawn of it, one by one.
        'assembly' => [
            'on' => [
                'main', 'saddle', 'piston', 'sleeve', 'valve', 'tapper', 'rod', 'setter', 'head', 'flush-piece', 'hose', 'outlet',
                'service', 'punch', 'cap',
            ],
        ],
    ];

    public function __construct(private Reader $reader)
    {
    }

    /** @param  array{shape: string, in: array<string, mixed>}  $figure */
    public function check(array $figure): void
    {
        foreach (self::WORDS[$figure['shape']] ?? [] as $key => $words) {
            $given = $figure['in'][$key] ?? '';
            foreach (\is_array($given) ? $given : [$given] as $word) {
                if (! \in_array($word, $words, true)) {
                    $said = \is_string($word) ? $word : '';
                    $this->reader->below($key)->fault("\"{$said}\" is drawn nowhere; ".Nearest::to($said, $words));
                }
            }
        }
    }
}
