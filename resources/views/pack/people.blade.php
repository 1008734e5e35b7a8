@use('App\Support\Say')
<div class="keep">
<h2>{{ Say::text('pack.people') }}</h2>
<table>
    <thead><tr><th>{{ Say::text('pack.name') }}</th><th>{{ Say::text('pack.role') }}</th><th>{{ Say::text('pack.entries') }}</th></tr></thead>
    @foreach ($people as $person)
        <tr><td>{{ $person['name'] }}</td><td>{{ $person['role'] }}</td><td>{{ $person['entries'] }}</td></tr>
    @endforeach
</table>
</div>
