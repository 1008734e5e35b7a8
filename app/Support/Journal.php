<?php

namespace App\Support;

use App\Models\JournalEntry;
use App\Models\User;
use Illuminate\Support\Facades\Auth;

/** Notes what the administrator may have to look up later. Each word has its sentence in `lang/…/journal.php`. */
final class Journal
{
    private const LONGEST = 120;

    /**
     * @param  array<string, string|int|null>  $about  the places of its sentence
     * @param  User|string|null  $who  a name where the person is not known; null: who is signed in
     */
    public static function note(string $what, array $about = [], User|string|null $who = null): void
    {
        $user = $who ?? Auth::user();
        JournalEntry::query()->create([
            'at' => now()->format('Y-m-d H:i:s.v'),
            'user_id' => $user instanceof User ? $user->id : null,
            'who' => self::short($user instanceof User ? $user->name : (string) (\is_string($user) ? $user : '')),
            'what' => $what,
            'about' => array_map(fn (mixed $said) => \is_string($said) ? self::short($said) : $said, $about),
            'address' => request()->ip(),
        ]);
    }

    private static function short(string $text): string
    {
        return mb_substr(mb_scrub($text, 'UTF-8'), 0, self::LONGEST);
    }
}
