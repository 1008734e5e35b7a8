@use('App\Support\Say')
@use('Illuminate\Support\Str')
<h2>{{ $heading }}</h2>
<table>
    <thead><tr><th style="width: 7%">{{ Say::text('pack.joint') }}</th><th style="width: 10%">{{ Say::text('pack.chainage') }}</th>
        <th style="width: 12%">{{ Say::text('pack.pipes') }}</th><th>{{ Say::text('pack.figures') }}</th>
        <th style="width: 9%">{{ Say::text('pack.verdict') }}</th>
        <th style="width: 18%">{{ Say::text('pack.acceptedBy') }}</th></tr></thead>
    @foreach ($joints as $joint)
        <tr><td>{{ $joint['number'] }}</td><td>{{ $joint['chainage'] }}</td><td>{{ $joint['pipes'] }}</td><td>{{ $joint['figures'] }}</td>
            <td>{{ Str::ucfirst($joint['verdict']) }}</td><td>{{ $joint['signed'] }}</td></tr>
    @endforeach
</table>
