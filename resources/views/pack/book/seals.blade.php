@use('App\Support\Say')
@use('Illuminate\Support\Str')
@isset($heading)
<h1>{{ $heading }}</h1>
<p>{{ $chain }}</p>
<p class="small">{{ $head }}</p>
@endisset
@if ($seals !== [])
<table>
    <thead><tr><th>{{ Say::text('pack.book.sealNumber') }}</th><th>{{ Say::text('pack.book.sealOver') }}</th><th>{{ Say::text('pack.verdict') }}</th>
        <th>{{ Say::text('pack.when') }}</th><th>{{ Say::text('pack.by') }}</th><th>{{ Say::text('pack.book.sealCode') }}</th></tr></thead>
    @foreach ($seals as $seal)
        <tr><td style="width: 8%">{{ $seal['position'] }}</td><td>{{ $seal['what'] }}</td><td style="width: 10%">{{ Str::ucfirst($seal['verdict']) }}</td>
            <td style="width: 20%">{{ $seal['at'] }}</td><td style="width: 20%">{{ $seal['by'] }}</td>
            <td style="width: 22%">{{ $seal['hash'] }}</td></tr>
    @endforeach
</table>
@endif
@if ($ends)
<p style="margin-top: 14pt">{{ Say::text('pack.whoDecides') }}</p>
@endif
