@use('App\Support\Say')
<h1>{{ $title }}</h1>
@foreach ($about as $line)
<p>{{ $line }}</p>
@endforeach
<p>{{ Say::text('pack.laying.looking') }}@if ($hasDepth) {{ Say::text('pack.laying.dug') }}@endif</p>
<table>
    <thead><tr>
        <th>{{ Say::text('pack.laying.pipe') }}</th>
        <th class="right">{{ Say::text('pack.laying.length') }}</th>
        <th class="right">{{ Say::text('pack.laying.begins') }}</th>
        <th class="right">{{ Say::text('pack.laying.invert') }}</th>
        @if ($hasDepth)<th class="right">{{ Say::text('pack.laying.depth') }}</th>@endif
        <th class="right">{{ Say::text('pack.laying.laser') }}</th>
        <th>{{ Say::text('pack.laying.joint') }}</th>
    </tr></thead>
    @foreach ($rows as $row)
    <tr>
        <td>{{ $row['pipe'] }}</td>
        <td class="right">{{ $row['length'] }}@if ($row['cut'] !== '')<br><b>{{ $row['cut'] }}</b>@endif</td>
        <td class="right">{{ $row['from'] }}</td>
        <td class="right">{{ $row['low'] }}<br>{{ $row['high'] }}</td>
        @if ($hasDepth)<td class="right">{{ $row['depth'] }}</td>@endif
        <td class="right">{{ $row['grade'] }}</td>
        <td>{{ $row['turn'] }}@if ($row['gap'] !== '')<br><span class="small">{{ $row['gap'] }}</span>@endif</td>
    </tr>
    @endforeach
</table>
<p class="small">{{ Say::text('pack.laying.caution') }}</p>
