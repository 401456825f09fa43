@use('App\Account\Privacy\OwnData')
<!doctype html>
<html lang="{{ app()->getLocale() }}">
<head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><title>{{
    __('privacy.heading') }} · Fig Porch</title><style>
    body { font: 16px/1.5 system-ui, sans-serif; max-width: 70rem; margin: 2rem auto; padding: 0 1rem; color: #22292f;
        background: #fbf8f1 }
    div { overflow-x: auto } table { border-collapse: collapse; margin: .5rem 0 2rem; font-size: 14px }
    th, td { border: 1px solid #d9d1bf; padding: .3rem .6rem; text-align: left; vertical-align: top }
</style></head>
<body>
    <h1>{{ __('privacy.heading') }}</h1>
    <p>{{ $person->name }} · {{ $now->format('Y-m-d') }}</p>
    <p>{{ __('privacy.page_text') }}</p>
    @foreach ($kinds as $kind => $rows)
        <h2>{{ __("privacy.kinds.{$kind}.0") }} ({{ count($rows) }})</h2>
        <p>{{ __("privacy.kinds.{$kind}.1") }}</p>
        @if ($rows !== [])<div><table><thead><tr>@foreach (array_keys($rows[0]) as $column)<th>{{ str_replace('_', ' ',
            $column) }}</th>@endforeach</tr></thead><tbody>@foreach ($rows as $row)<tr>@foreach ($row as $value)<td>{{
                OwnData::text($value) }}</td>@endforeach</tr>@endforeach</tbody></table></div>@endif
    @endforeach
</body>
</html>
