@use('App\Support\Say')
@use('Illuminate\Support\Str')
@if ($heading !== null)
<h1>{{ $heading }}</h1>
@endif
@foreach ($subjects as $one)
<div class="keep" style="margin-top: 16pt; border-top: 1.4pt solid #241d17; padding-top: 5pt">
    <table><tr>
        <td style="border: 0; width: 70%; padding: 0"><h2 style="margin: 0">{{ $one['name'] }}</h2></td>
        <td style="border: 0; padding: 0" class="right"><b style="font-size: 12.5pt">{{ Str::ucfirst($one['verdict'] ?? '') }}</b></td>
    </tr></table>
    <p>{{ Str::ucfirst(implode(', ', $one['where'])) }}@if ($one['where'] !== []). @endif{{ $one['procedure'] }}.</p>
    @foreach ($one['reasons'] as $reason)
        <p>{{ $reason['text'] }} {{ $reason['do'] }}</p>
    @endforeach
    @if ($one['entries'] === [])
    <p class="small">{{ Say::text('pack.book.noRecord') }}</p>
    @else
    {{-- Some of what was recorded stands on the page of its heading. --}}
    @include('pack.entries', ['entries' => array_slice($one['entries'], 0, 3)])
    @endif
</div>
@if (count($one['entries']) > 3)
@include('pack.entries', ['entries' => array_slice($one['entries'], 3), 'goesOn' => true])
@endif
@foreach ($one['contested'] as $second)
<p>{{ Say::text('pack.book.secondReading', ['title' => $second['title'], 'at' => $words->moment($second['recorded_at']), 'by' => $second['by'],
    'said' => $second['said']]) }}
    {{ Say::text(match ($second['counts']) { null => 'pack.book.secondWaits', true => 'pack.book.secondCounts', false => 'pack.book.secondDoesNotCount' },
        ['reason' => $second['reason'] ?? '', 'by' => $second['decided_by'] ?? '']) }}</p>
@endforeach
@if ($one['pictures'] !== [])
<table style="margin-top: 4pt">
    @foreach (array_chunk($one['pictures'], 3) as $row)
        <tr>
            @foreach ($row as $picture)
                <td style="width: 33%; border: 0">
                    @if ($picture['file'] === null)
                        <b>{{ Say::text('pack.pictureGone') }}</b>
                    @else
                        <img alt="" src="{{ $picture['file'] }}" style="max-width: 56mm; max-height: 56mm">
                    @endif
                    <div class="small">{{ $picture['says'] }}</div></td>
            @endforeach
            @for ($i = count($row); $i < 3; $i++)
                <td style="width: 33%; border: 0"></td>
            @endfor
        </tr>
    @endforeach
</table>
@endif
@if ($one['seal'] !== null)
<p class="small">{{ $one['seal'] }} {{ $one['alone'] }}</p>
@endif
@endforeach
