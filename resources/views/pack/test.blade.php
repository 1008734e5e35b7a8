<!doctype html>
<html lang="en">
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
<div class="across">PRACTICE</div>
@endif
<div class="running"><table><tr>
    <td>{{ $line->name }} · {{ $section->name }} · test {{ $test->number }}</td>
    <td class="right">{{ $project->name }}</td>
</tr></table></div>

<table><tr>
    <td style="border:0; width:70%"><h1>{{ $title }}</h1></td>
    <td style="border:0" class="right"><div class="label">Result</div><div class="result">{{ ucfirst($verdict) }}</div>
        <div class="small">{{ $isSigned ? 'signed and sealed' : 'not signed' }}</div></td>
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
<p><b>Practice project: its devices are played by stand-ins. This is no record of real work.</b></p>
@endif
<p style="margin-top: 8pt"><b>Verdict: {{ ucfirst($verdict) }}.</b>
    @foreach ($reasons as $reason)
        {{ $reason['text'] }} {{ $reason['do'] }}
    @endforeach
    {{ implode(' ', $found) }}</p>
@if ($confirm['limits'] !== [])
<div class="keep">
<h2>{{ $confirm['by'] === null ? 'To be confirmed by who signs, before the signature' : 'Confirmed before the signature' }}</h2>
<p>Written down from memory{{ $confirm['by'] === null ? '; each is held against its source first:' : ", held against the source by {$confirm['by']}:" }}</p>
<ul style="margin: 2pt 0; padding-left: 14pt">
    @foreach ($confirm['limits'] as $limit)
        <li>{{ $limit }}</li>
    @endforeach
</ul>
</div>
@endif

<div class="keep">
<h2>Course of the test</h2>
@if ($course === null)
    <p>No log is stored.</p>
@else
    {!! $course !!}
@endif
</div>
@if ($bands !== [])
<table class="keep">
    <thead><tr><th>Phase</th><th>From</th><th>To</th><th>Lasted</th></tr></thead>
    @foreach ($bands as $i => $band)
        <tr><td>{{ $i + 1 }} {{ $band['name'] }}</td><td>{{ $band['from'] }}</td><td>{{ $band['to'] }}</td><td>{{ $band['lasted'] }}</td></tr>
    @endforeach
</table>
@endif

<div class="keep">
<h2>The section from above</h2>
{!! $map !!}
</div>
<div class="keep">
<h2>The section from the side</h2>
{!! $profile !!}
<p class="small">Joints are the strokes along the foot. Levels are drawn larger than lengths.</p>
</div>
<table>
    @foreach ($planned as [$label, $value])
        <tr><td style="width: 40%">{{ $label }}</td><td>{{ $value }}</td></tr>
    @endforeach
</table>

<h2>What was done</h2>
<table>
    <thead><tr><th style="width: 19%">When</th><th style="width: 19%">Step</th><th>What was recorded</th><th style="width: 17%">By</th></tr></thead>
    @foreach ($entries as $entry)
        <tr class="{{ $entry['replaced'] === null ? '' : 'gone' }}">
            <td>{{ $entry['at'] }}</td>
            <td>{{ $entry['title'] }}</td>
            <td>{{ implode('; ', $entry['words']) }}@if ($entry['replaced'] !== null)<br><b>{{ $entry['replaced'] }}</b>@endif</td>
            <td>{{ $entry['by'] }}, {{ $entry['role'] }}</td>
        </tr>
    @endforeach
</table>

<h2>Joints of the section ({{ count($joints) }})</h2>
<table>
    <thead><tr><th style="width: 7%">Joint</th><th style="width: 10%">Chainage</th><th style="width: 12%">Pipes</th><th>Figures</th>
        <th style="width: 9%">Verdict</th><th style="width: 18%">Accepted by</th></tr></thead>
    @foreach ($joints as $joint)
        <tr><td>{{ $joint['number'] }}</td><td>{{ $joint['chainage'] }}</td><td>{{ $joint['pipes'] }}</td><td>{{ $joint['figures'] }}</td>
            <td>{{ ucfirst($joint['verdict']) }}</td><td>{{ $joint['signed'] }}</td></tr>
    @endforeach
</table>

<div class="keep">
<h2>Instruments</h2>
@if ($devices === [])
    <p>None was recorded.</p>
@else
<table>
    <thead><tr><th style="width: 16%">Instrument</th><th style="width: 24%">Which</th><th>What is known of it</th></tr></thead>
    @foreach ($devices as $thing)
        <tr><td>{{ $thing['what'] }}</td><td>{{ $thing['name'] }}</td><td>{{ $thing['said'] }}</td></tr>
    @endforeach
</table>
@endif
</div>

<div class="keep">
<h2>People</h2>
<table>
    <thead><tr><th>Name</th><th>Role</th><th>Entries</th></tr></thead>
    @foreach ($people as $person)
        <tr><td>{{ $person['name'] }}</td><td>{{ $person['role'] }}</td><td>{{ $person['entries'] }}</td></tr>
    @endforeach
</table>
</div>

<h2>Limits</h2>
<table>
    <thead><tr><th>Limit</th><th>Value</th><th>Source</th><th>Certainty</th></tr></thead>
    @foreach ($limits as [$label, $value, $source, $certainty])
        <tr><td>{{ ucfirst($label) }}</td><td>{{ $value }}</td><td>{{ $source }}</td><td>{{ $certainty }}</td></tr>
    @endforeach
</table>

<div class="keep">
<h2>Signatures</h2>
<table class="sign">
    @foreach ($signatures as $signature)
        <tr><td style="width: 34%">{{ $signature['title'] }}</td><td>{{ $signature['by'] }}</td><td>{{ $signature['at'] }}</td></tr>
    @endforeach
    <tr><td>For the client</td><td></td><td></td></tr>
</table>
<p class="small">Seal: {{ $seal ?? 'none yet' }}. Chain of seals of this line: {{ $chain === [] ? 'unbroken' : implode(' ', $chain) }}.
    Method text: {{ $test->section->method_hash }}.
    A judgement computed from what was recorded; the local code and the licensed engineer decide.</p>
</div>
</body>
</html>
