@use('App\Support\Say')
@use('Illuminate\Support\Str')
<div class="keep">
<h2>{{ Say::text('pack.instruments') }}</h2>
@if ($devices === [])
    <p>{{ Say::text('pack.noInstrument') }}</p>
@else
<table>
    <thead><tr><th style="width: 16%">{{ Say::text('pack.instrument') }}</th><th style="width: 24%">{{ Say::text('pack.which') }}</th>
        <th>{{ Say::text('pack.knownOfIt') }}</th></tr></thead>
    @foreach ($devices as $thing)
        <tr><td>{{ $thing['what'] }}</td><td>{{ $thing['name'] }}</td><td>{{ $thing['said'] }}</td></tr>
    @endforeach
</table>
@endif
</div>

@if ($site !== [])
<h2>{{ Say::text('pack.site') }}</h2>
<table>
    <thead><tr><th style="width: 30%">{{ Say::text('pack.siteRecord') }}</th><th>{{ Say::text('pack.siteKind') }}</th>
        <th style="width: 12%">{{ Say::text('pack.verdict') }}</th><th style="width: 22%">{{ Say::text('pack.signedBy') }}</th></tr></thead>
    @foreach ($site as $record)
        <tr><td>{{ $record['name'] }}</td><td>{{ $record['what'] }}</td><td>{{ Str::ucfirst($record['verdict']) }}</td>
            <td>{{ $record['signed'] }}</td></tr>
    @endforeach
</table>
@endif

@include('pack.people')

<h2>{{ Say::text('pack.limits') }}</h2>
<table>
    <thead><tr><th>{{ Say::text('pack.limit') }}</th><th>{{ Say::text('pack.value') }}</th><th>{{ Say::text('pack.source') }}</th>
        <th>{{ Say::text('pack.certain') }}</th></tr></thead>
    @foreach ($limits as [$label, $value, $source, $certainty])
        <tr><td>{{ Str::ucfirst($label) }}</td><td>{{ $value }}</td><td>{{ $source }}</td><td>{{ $certainty }}</td></tr>
    @endforeach
</table>

<div class="keep">
<h2>{{ Say::text('pack.signatures') }}</h2>
<table class="sign">
    @foreach ($signatures as $signature)
        <tr><td style="width: 34%">{{ $signature['title'] }}</td><td>{{ $signature['by'] }}</td><td>{{ $signature['at'] }}</td></tr>
    @endforeach
    <tr><td>{{ Say::text('pack.forTheClient') }}</td><td></td><td></td></tr>
</table>
<p class="small">{{ Say::text('pack.seal', ['seal' => $seal?->hash ?? Say::text('pack.noneYet')]) }}
    {{ $seal?->sayAlone() }}
    {{ $chain }}
    {{ $head }}
    {{ Say::text('pack.methodText', ['hash' => $test->section->method_hash]) }}
    {{ Say::text('pack.whoDecides') }}</p>
</div>
