@use('App\Support\Say')
@use('Illuminate\Support\Str')
<h1>{{ Say::text('pack.book.procedures') }}</h1>
@foreach ($procedures as $procedure)
<h2>{{ $procedure['title'] }}</h2>
<p class="small">{{ $procedure['hash'] }}</p>
<table>
    <thead><tr><th style="width: 38%">{{ Say::text('pack.limit') }}</th><th style="width: 18%">{{ Say::text('pack.value') }}</th>
        <th>{{ Say::text('pack.source') }}</th><th style="width: 16%">{{ Say::text('pack.certain') }}</th></tr></thead>
    @foreach ($procedure['limits'] as [$label, $value, $source, $certainty])
        <tr><td>{{ Str::ucfirst($label) }}</td><td>{{ $value }}</td><td>{{ $source }}</td><td>{{ $certainty }}</td></tr>
    @endforeach
</table>
@endforeach
