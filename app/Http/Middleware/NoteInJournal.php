<?php

namespace App\Http\Middleware;

use App\Models\Pack;
use App\Support\Journal;
use App\Support\Say;
use Closure;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** What was changed of a plan, once it is done: `journal:word` on its route. Its sentence names what the address names. */
final class NoteInJournal
{
    /** What of a body is noted, in the words of `lang/…/given.php`; nothing else of it is. */
    private const NAMES = [
        'name', 'number', 'from_m', 'to_m', 'client', 'contractor', 'accepts_own_work', 'reason', 'nominal', 'sdr', 'counts',
        'kind',
    ];

    public function handle(Request $request, Closure $next, string $what): Response
    {
        $of = [];
        foreach ($request->route()?->parameters() ?? [] as $bound) {
            $of[] = $bound instanceof Model ? $this->called($bound) : null;
        }
        $response = $next($request);
        if ($response->isSuccessful()) {
            $given = array_intersect_key($request->all(), array_flip(self::NAMES));
            $said = array_map($this->said(...), array_keys($given), $given);
            Journal::note($what, ['of' => implode(', ', array_filter($of)), 'given' => implode(', ', array_filter($said))]);
        }

        return $response;
    }

    private function said(string $key, mixed $value): ?string
    {
        $word = match (true) {
            \is_bool($value) => Say::text($value ? 'given.yes' : 'given.no'),
            \is_scalar($value) => (string) $value,
            default => '',
        };

        return $word === '' ? null : Say::text("given.{$key}").': '.$word;
    }

    private function called(Model $bound): string
    {
        if ($bound instanceof Pack) {
            return $bound->fileName();
        }
        $attributes = $bound->getAttributes();

        return (string) ($attributes['name'] ?? $attributes['number'] ?? $bound->getKey());
    }
}
