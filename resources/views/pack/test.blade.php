@use('App\Support\Say')
@use('Illuminate\Support\Str')
<!doctype html>
<html lang="{{ app()->getLocale() }}">
<head>
<meta charset="utf-8">
<title>{{ $title }}, {{ $line->name }}</title>
<style>
    @page { margin: 24mm 15mm 18mm; }
    body { font-family: "Atkinson Hyperlegible Next"; font-size: 9.5pt; line-height: 1; color: #241d17; }
    .running { position: fixed; top: -14mm; left: 0; right: 0; border-bottom: 0.7pt solid #241d17; font-size: 8.5pt; }
    .running td { border: 0; padding: 0 0 3pt; }
    h1 { font-size: 20pt; line-height: 1.1; margin: 0 0 6pt; }
    h2 { font-size: 12.5pt; margin: 16pt 0 4pt; page-break-after: avoid; }
    p { margin: 3pt 0; }
    table { width: 100%; border-collapse: collapse; }
    thead { display: table-header-group; }
    tr { page-break-inside: avoid; }
    td, th { text-align: left; padding: 3pt 8pt 3pt 0; vertical-align: top; border-bottom: 0.5pt solid #d9cfbd; }
    th { font-weight: bold; border-bottom: 0.9pt solid #241d17; }
    .title { border-top: 1.4pt solid #241d17; border-bottom: 1.4pt solid #241d17; }
    .title td { width: 50%; border: 0; padding: 3.5pt 8pt 3.5pt 0; }
    .label { font-size: 8pt; color: #5b5147; }
    .result { font-size: 26pt; font-weight: bold; line-height: 1.1; }
    .right { text-align: right; }
    .small { font-size: 8pt; color: #5b5147; }
    .gone { color: #5b5147; }
    .sign td { height: 24pt; vertical-align: bottom; }
    .keep { page-break-inside: avoid; }
    .across { position: fixed; top: 95mm; left: 5mm; width: 170mm; text-align: center; font-size: 72pt; font-weight: bold; color: #f1eadd;
        transform: rotate(-35deg); z-index: -1; }
</style>
</head>
<body>
@if ($project->practice)
<div class="across">{{ Say::text('pack.practice') }}</div>
@endif
<div class="running"><table><tr>
    <td>{{ $line->name }} · {{ $section->name }} · {{ Say::text('pack.testNumber', ['number' => $test->number]) }}</td>
    <td class="right">{{ $project->name }}</td>
</tr></table></div>

<table><tr>
    <td style="border:0; width:70%"><h1>{{ $title }}</h1></td>
    <td style="border:0" class="right"><div class="label">{{ Say::text('pack.result') }}</div>
        <div class="result">{{ Str::ucfirst($verdict) }}</div>
        <div class="small">{{ Say::text($isSigned ? 'pack.signedAndSealed' : 'pack.notSigned') }}</div></td>
</tr></table>
<table class="title">
    @foreach (array_chunk($about, 2) as $pair)
        <tr>
            @foreach ($pair as [$label, $value])
                <td><div class="label">{{ $label }}</div>{{ $value }}</td>
            @endforeach
        </tr>
    @endforeach
</table>
@if ($project->practice)
<p><b>{{ Say::text('pack.practiceProject') }}</b></p>
@endif
<p style="margin-top: 8pt"><b>{{ Say::text('pack.verdictIs', ['verdict' => Str::ucfirst($verdict)]) }}</b>
    @foreach ($reasons as $reason)
        {{ $reason['text'] }} {{ $reason['do'] }}
    @endforeach
    {{ implode(' ', $found) }}</p>
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
<table>
    <thead><tr><th style="width: 19%">{{ Say::text('pack.when') }}</th><th style="width: 19%">{{ Say::text('pack.step') }}</th>
        <th>{{ Say::text('pack.whatWasRecorded') }}</th><th style="width: 17%">{{ Say::text('pack.by') }}</th></tr></thead>
    @foreach ($entries as $entry)
        <tr class="{{ $entry['replaced'] === null ? '' : 'gone' }}">
            <td>{{ $entry['at'] }}</td>
            <td>{{ $entry['title'] }}</td>
            <td>{{ implode('; ', $entry['words']) }}@if ($entry['replaced'] !== null)<br><b>{{ $entry['replaced'] }}</b>@endif</td>
            <td>{{ $entry['by'] }}, {{ $entry['role'] }}</td>
        </tr>
    @endforeach
</table>

<h2>{{ Say::text('pack.joints', ['count' => count($joints)]) }}</h2>
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

<div class="keep">
<h2>{{ Say::text('pack.people') }}</h2>
<table>
    <thead><tr><th>{{ Say::text('pack.name') }}</th><th>{{ Say::text('pack.role') }}</th><th>{{ Say::text('pack.entries') }}</th></tr></thead>
    @foreach ($people as $person)
        <tr><td>{{ $person['name'] }}</td><td>{{ $person['role'] }}</td><td>{{ $person['entries'] }}</td></tr>
    @endforeach
</table>
</div>

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
    {{ Say::text('pack.chain', ['chain' => $chain['broken'] === [] ? Say::text('pack.unbroken') : implode(' ', $chain['broken'])]) }}
    {{ implode(' ', $chain['anew']) }}
    {{ $head }}
    {{ Say::text('pack.methodText', ['hash' => $test->section->method_hash]) }}
    {{ Say::text('pack.whoDecides') }}</p>
</div>
</body>
</html>
