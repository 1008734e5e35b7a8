@use('App\Support\Say')
<table class="title">
    @foreach (array_chunk($about, 2) as $pair)
        <tr>
            @foreach ($pair as [$label, $value])
                <td><div class="label">{{ $label }}</div>{{ $value }}</td>
            @endforeach
        </tr>
    @endforeach
</table>
@if ($practice)
<p><b>{{ Say::text('pack.practiceProject') }}</b></p>
@endif
