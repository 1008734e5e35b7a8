@use('App\Support\Say')
<!doctype html>
<html lang="{{ app()->getLocale() }}">
<head>
<meta charset="utf-8">
<title>{{ $title }}</title>
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
@if ($practice)
<div class="across">{{ Say::text('pack.practice') }}</div>
@endif
<div class="running"><table><tr>
    <td>{{ $left }}</td>
    <td class="right">{{ $right }}</td>
</tr></table></div>

@foreach ($parts as $part)
    @include("pack.{$part}")
@endforeach
</body>
</html>
