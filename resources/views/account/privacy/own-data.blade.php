@use('App\Account\Privacy\OwnData')
<x-layout :title="__('privacy.heading')" on="settings">
    <p class="mb-1 text-[15px]"><a class="link" href="/settings">{{ __('common.settings') }}</a></p>
    <div class="flex flex-wrap items-start justify-between gap-4 mb-4"><div><h1 class="text-3xl mb-1">{{
        __('privacy.heading') }}</h1><p class="max-w-[80ch]">{{ __('privacy.text') }}</p></div>
        <a class="btn" href="{{ route('kept.take', [], false) }}">{{ __('privacy.take') }}</a></div>
    <div class="grid gap-2">
        @foreach ($kinds as $kind => $rows)
            <details class="panel min-w-0" @if ($loop->first) open @endif>
                <summary class="px-4 py-3 cursor-pointer"><b>{{ __("privacy.kinds.{$kind}.0") }}</b> <span
                    class="meta">{{ trans_choice('privacy.rows', count($rows)) }}</span><span class="block meta">{{
                    __("privacy.kinds.{$kind}.1") }}</span></summary>
                @if ($rows !== [])<div class="overflow-x-auto border-t border-rule" tabindex="0" role="group"
                    aria-label="{{ __("privacy.kinds.{$kind}.0") }}"><table class="w-full text-[14px] desk-table">
                    <thead><tr>@foreach (array_keys($rows[0]) as $column)<th scope="col">{{ str_replace('_', ' ',
                        $column) }}</th>@endforeach</tr></thead>
                    <tbody>@foreach (array_slice($rows, -100) as $row)<tr>@foreach ($row as $value)<td
                        class="max-w-96 break-words align-top">{{ OwnData::text($value) }}</td>@endforeach</tr>
                        @endforeach</tbody></table></div>
                    @if (count($rows) > 100)<p class="meta px-4 py-2">{{ __('privacy.last_rows', ['count' => 100])
                        }}</p>@endif
                @endif
            </details>
        @endforeach
    </div>
    <section aria-labelledby="never" class="mt-6 max-w-[80ch]"><h2 id="never" class="text-xl mb-1">{{
        __('privacy.never') }}</h2><p>{{ __('privacy.never_text') }}</p></section>
    <p class="mt-6"><a class="link text-clay" href="{{ route('own_cards.erasing', [], false) }}">{{
        __('own_cards.erase') }}</a></p>
</x-layout>
