<?php

namespace App\Http\Middleware;

use App\Support\Journal;
use Closure;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** What was changed of a plan, once it is done: `journal:word` on its route. Its sentence names what the address names. */
final class NoteInJournal
{
    private const NAMES = ['name', 'number', 'title', 'from_m', 'to_m', 'client', 'contractor', 'reason', 'state', 'nominal', 'sdr'];

    public function handle(Request $request, Closure $next, string $what): Response
    {
        $of = [];
        foreach ($request->route()?->parameters() ?? [] as $bound) {
            $of[] = $bound instanceof Model ? $this->called($bound) : null;
        }
        $response = $next($request);
        if ($response->isSuccessful()) {
            $given = array_intersect_key($request->all(), array_flip(self::NAMES));
            $said = array_map(
                fn (string $key, mixed $value) => \is_scalar($value) ? "{$key} {$value}" : null,
                array_keys($given),
                $given,
            );
            Journal::note($what, ['of' => implode(', ', array_filter($of)), 'given' => implode(', ', array_filter($said))]);
        }

        return $response;
    }

    private function called(Model $bound): string
    {
        $attributes = $bound->getAttributes();

        return (string) ($attributes['name'] ?? $attributes['number'] ?? $bound->getKey());
    }
}
