<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<title>Test pack {{ $line->name }}, {{ $section->name }}, test {{ $test->number }}</title>
<style>
    @page { margin: 16mm 15mm; }
    body { font-family: "DejaVu Sans", sans-serif; font-size: 9.5pt; color: #241d17; }
    h1 { font-size: 17pt; margin: 0 0 2pt; } h2 { font-size: 11.5pt; margin: 14pt 0 4pt; border-bottom: 1pt solid #241d17; padding-bottom: 2pt; }
    table { width: 100%; border-collapse: collapse; } td, th { text-align: left; padding: 2.5pt 4pt; vertical-align: top; border-bottom: 0.5pt solid #d9cfbd; }
    th { font-weight: bold; } .verdict { font-size: 13pt; font-weight: bold; margin: 6pt 0; } .small { font-size: 7.5pt; color: #5b5147; } .sign td { height: 26pt; }
    .practice { position: fixed; top: 95mm; left: 5mm; width: 170mm; text-align: center; font-size: 72pt; font-weight: bold; color: #efe6d8; transform: rotate(-35deg); z-index: -1; }
</style>
</head>
<body>
@if ($line->project->practice)
<div class="practice">PRACTICE</div>
@endif
<h1>{{ $line->name }}: {{ $section->name }}, test {{ $test->number }}</h1>
<div>{{ $line->project->name }}, {{ $line->project->place }} &middot; {{ $line->service }} &middot; chainage {{ $show('x_m', $section->from_m, 1) }} to {{ $show('x_m', $section->to_m, 1) }} &middot; {{ $line->pipe['material'] }} {{ $line->pipe['dn_mm'] }} SDR {{ $line->pipe['sdr'] }}</div>
@if ($line->project->practice)
<div><b>Practice project: its devices are played by stand-ins. This is no record of real work.</b></div>
@endif
<div class="verdict">Verdict: {{ ucfirst($judgement['verdict']) }}</div>
<ul>
@foreach ($judgement['steps'] as $step)
    @foreach ($step['reasons'] as $reason)
        <li>{{ ucfirst($reason['verdict']) }}: {{ $reason['text'] }} {{ $reason['do'] }}</li>
    @endforeach
@endforeach
</ul>
<h2>Course of the test</h2>
@if ($chart)
    <img src="data:image/svg+xml;base64,{{ base64_encode($chart) }}" width="680" height="260" alt="Pressure against time">
@else
    <p>No log is stored.</p>
@endif
<h2>Method and limits</h2>
<p>{{ $judgement['procedure']['title'] }}, version {{ $judgement['procedure']['version'] }}<br><span class="small">text {{ $judgement['procedure']['hash'] }}</span></p>
<table>
    <tr><th>Limit</th><th>Value</th><th>Source</th><th>Certainty</th></tr>
    @foreach ($parameters as $name => $p)
        <tr><td>{{ $p['label'] ?? $name }}</td><td>{{ is_numeric($p['value']) ? $show($name, (float) $p['value']) : $p['value'] }}</td><td>{{ $p['source'] ?? '' }}</td><td>{{ ['std' => 'standard', 'practice' => 'common practice', 'memory' => 'from memory, to be confirmed', 'project' => 'project'][$p['certainty'] ?? ''] ?? '' }}</td></tr>
    @endforeach
</table>
<h2>Plan of the section</h2>
<table>
    <tr><td>System test pressure at the lowest point</td><td>{{ $show('x_kpa', $plan['stp_kpa']) }} at {{ $show('x_m', $plan['gauge']['lowest_m'], 1) }}</td></tr>
    <tr><td>Pressure at the gauge</td><td>{{ $show('x_kpa', $test->context['gauge_target_kpa']) }} at {{ $show('x_m', $plan['gauge']['gauge_m'], 1) }}</td></tr>
    <tr><td>Volume; water for one bar</td><td>{{ $show('x_m3', $plan['compliance']['volume_m3']) }}; {{ $show('x_l', $plan['compliance']['compliance_l_per_bar']) }}</td></tr>
    <tr><td>Thrust on the ends</td><td>{{ $show('x_kn', $plan['thrust']['force_kn']) }}</td></tr>
</table>
<h2>What was recorded</h2>
<table>
    <tr><th>Step</th><th>Entry</th><th>By</th><th>When</th></tr>
    @foreach ($facts as $fact)
        <tr><td>{{ $fact->step }}{{ $fact->supersedes ? ' (corrected: '.$fact->reason.')' : '' }}</td><td>{{ collect($fact->value)->map(fn ($v, $k) => $k.': '.(is_bool($v) ? ($v ? 'yes' : 'no') : (is_scalar($v) ? $v : json_encode($v))))->implode('; ') }}</td><td>{{ $fact->user->name }}, {{ $fact->role }}</td><td>{{ $fact->recorded_at }}</td></tr>
    @endforeach
</table>
<h2>Joints of the section ({{ count($joints) }})</h2>
<table>
    <tr><th>Joint</th><th>Chainage</th><th>Pipes</th><th>State</th><th>Verdict</th><th>Sealed</th></tr>
    @foreach ($joints as $j)
        <tr><td>{{ $j->number }}</td><td>{{ $show('x_m', $j->chainage_m, 1) }}</td><td>{{ ($j->pipes['a'] ?? '').' – '.($j->pipes['b'] ?? '') }}</td><td>{{ $j->state }}</td><td>{{ $j->verdict }}</td><td>{{ $j->sealed_at?->format('Y-m-d H:i') }}</td></tr>
    @endforeach
</table>
<h2>Signatures</h2>
<table class="sign">
    @foreach ($judgement['steps'] as $step)
        @if ($step['kind'] === 'hold')
            <tr><td>{{ $step['title'] }}</td><td>{{ $step['by'] ?? 'not signed' }}</td><td>{{ $step['at'] ?? '' }}</td></tr>
        @endif
    @endforeach
</table>
<p class="small">Seal: {{ $seal?->hash ?? 'none yet' }}. Chain of this line: {{ $chain === [] ? 'unbroken' : implode(' ', $chain) }}. A judgement computed from what was recorded; the local code and the licensed engineer decide.</p>
</body>
</html>
