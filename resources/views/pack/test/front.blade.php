@use('App\Support\Say')
@use('Illuminate\Support\Str')
<table><tr>
    <td style="border:0; width:70%"><h1>{{ $testTitle }}</h1></td>
    <td style="border:0" class="right"><div class="label">{{ Say::text('pack.result') }}</div>
        <div class="result">{{ Str::ucfirst($verdict) }}</div>
        <div class="small">{{ Say::text($isSigned ? 'pack.signedAndSealed' : 'pack.notSigned') }}</div></td>
</tr></table>
@include('pack.about')
<p style="margin-top: 8pt"><b>{{ Say::text('pack.verdictIs', ['verdict' => Str::ucfirst($verdict)]) }}</b>
    @foreach ($reasons as $reason)
        {{ $reason['text'] }} {{ $reason['do'] }}
    @endforeach
    {{ implode(' ', $found) }}
    @if ($asked !== null)
        <b>{{ Say::text('pack.forLessThanAsked', ['asked' => $asked]) }}</b>
    @endif</p>
@if ($confirm['limits'] !== [])
<div class="keep">
<h2>{{ Say::text($confirm['by'] === null ? 'pack.toBeConfirmed' : 'pack.confirmed') }}</h2>
<p>{{ $confirm['by'] === null ? Say::text('pack.fromMemory') : Say::text('pack.fromMemoryHeld', ['by' => $confirm['by']]) }}</p>
<ul style="margin: 2pt 0; padding-left: 14pt">
    @foreach ($confirm['limits'] as $limit)
        <li>{{ $limit }}</li>
    @endforeach
</ul>
</div>
@endif

@if ($isLogged)
<div class="keep">
<h2>{{ Say::text('pack.course') }}</h2>
@if ($course === null)
    <p>{{ Say::text('pack.noLog') }}</p>
@else
    {!! $course !!}
@endif
</div>
@endif
@if ($bands !== [])
<table class="keep">
    <thead><tr><th>{{ Say::text('pack.phase') }}</th><th>{{ Say::text('pack.from') }}</th><th>{{ Say::text('pack.to') }}</th>
        <th>{{ Say::text('pack.lasted') }}</th></tr></thead>
    @foreach ($bands as $i => $band)
        <tr><td>{{ $i + 1 }} {{ $band['name'] }}</td><td>{{ $band['from'] }}</td><td>{{ $band['to'] }}</td><td>{{ $band['lasted'] }}</td></tr>
    @endforeach
</table>
@endif

<div class="keep">
<h2>{{ Say::text('pack.fromAbove') }}</h2>
{!! $map !!}
</div>
<div class="keep">
<h2>{{ Say::text('pack.fromTheSide') }}</h2>
{!! $profile !!}
<p class="small">{{ Say::text('pack.howDrawn') }}</p>
</div>
<table>
    @foreach ($planned as [$label, $value])
        <tr><td style="width: 40%">{{ $label }}</td><td>{{ $value }}</td></tr>
    @endforeach
</table>

<h2>{{ Say::text('pack.whatWasDone') }}</h2>
@include('pack.entries')
