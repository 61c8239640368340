{{-- What changed, by calendar. --}}
@props(['calendars'])
@foreach ($calendars as $calendar => $lines)
<table role="presentation" cellpadding="0" cellspacing="0" width="100%" style="font-size:16px;line-height:1.5;margin:0 0 14px">
@if ($calendar !== '')
<tr><td style="font-size:13px;font-weight:bold;color:#5b6470;padding:0 0 4px">{{ $calendar }}</td></tr>
@endif
@foreach ($lines as $line)
<tr><td style="border-top:1px solid #ddd3c1;padding:8px 0"><a href="{{ $line['url'] }}" style="color:#1d2733;text-decoration:none">{{ $line['words'] }}</a></td></tr>
@endforeach
</table>
@endforeach
