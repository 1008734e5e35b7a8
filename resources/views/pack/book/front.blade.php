@use('App\Support\Say')
<h1 style="font-size: 26pt; margin-top: 20mm">{{ $title }}</h1>
@include('pack.about')
<h2>{{ Say::text('pack.book.howLineStands') }}</h2>
@foreach ($standing as $sentence)
    <p>{{ $sentence }}</p>
@endforeach
<p class="small" style="margin-top: 10pt">{{ $head }} {{ Say::text('pack.whoDecides') }}</p>
<h2 style="page-break-before: always">{{ Say::text('pack.book.contents') }}</h2>
<table>
    <thead><tr><th></th><th class="right" style="padding-right: 0">{{ Say::text('pack.book.onPage') }}</th></tr></thead>
    @foreach ($contents as [$what, $on, $isChapter])
        <tr>
            <td @if ($isChapter) style="font-weight: bold; padding-top: 8pt" @else style="padding-left: 12pt" @endif>{{ $what }}</td>
            <td class="right" style="width: 14%; padding-right: 0; vertical-align: bottom">{{ $on }}</td>
        </tr>
    @endforeach
</table>
