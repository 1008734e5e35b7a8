@use('App\Support\Say')
<h1>{{ Say::text('pack.book.theLine') }}</h1>
<div class="keep">
{!! $map !!}
</div>
@if ($sections !== [])
<h2>{{ Say::text('pack.book.sections') }}</h2>
<table>
    <thead><tr><th>{{ Say::text('pack.section') }}</th><th>{{ Say::text('pack.from') }}</th><th>{{ Say::text('pack.to') }}</th>
        <th>{{ Say::text('pack.method') }}</th></tr></thead>
    @foreach ($sections as $section)
        <tr><td>{{ $section['name'] }}</td><td>{{ $section['from'] }}</td><td>{{ $section['to'] }}</td><td>{{ $section['method'] }}</td></tr>
    @endforeach
</table>
@endif
@if ($changes !== [])
<h2>{{ Say::text('pack.book.changes') }}</h2>
<table>
    @foreach ($changes as $change)
        <tr><td style="width: 22%">{{ $change['at'] }}</td><td>{{ $change['says'] }} {{ $change['reason'] }}</td><td style="width: 20%">{{ $change['by'] }}</td></tr>
    @endforeach
</table>
@endif
@include('pack.people')
