@use('App\Support\Say')
<table>
    @unless ($goesOn ?? false)
    <thead><tr><th>{{ Say::text('pack.when') }}</th><th>{{ Say::text('pack.step') }}</th><th>{{ Say::text('pack.whatWasRecorded') }}</th>
        <th>{{ Say::text('pack.by') }}</th></tr></thead>
    @endunless
    @foreach ($entries as $entry)
        <tr class="{{ $entry['replaced'] === null ? '' : 'gone' }}">
            <td style="width: 19%">{{ $entry['at'] }}</td>
            <td style="width: 19%">{{ $entry['title'] }}</td>
            <td>{{ implode('; ', $entry['words']) }}@foreach ($entry['written'] as $written) {!! $written !!} @endforeach
                @if ($entry['replaced'] !== null)<br><b>{{ $entry['replaced'] }}</b>@endif</td>
            <td style="width: 17%">{{ $entry['by'] }}, {{ $entry['role'] }}</td>
        </tr>
    @endforeach
</table>
