{{-- Which keys act by themselves, and the switch that turns those off that are letters alone. --}}
@props(['of' => ['pages']])
@php($names = __('keys.names'))
<dialog id="keys" aria-labelledby="keys-heading" class="m-auto panel p-6 max-w-xl w-[92%] text-ink">
    <div class="flex items-baseline justify-between gap-4 mb-3"><h2 id="keys-heading" class="text-2xl">{{
        __('keys.heading') }}</h2><button type="button" class="btn btn-plain" data-close-keys>{{ __('keys.close')
        }}</button></div>
    @foreach ($of as $where)
        <h3 class="font-sans! text-base! font-semibold mt-3 mb-1">{{ __("keys.where.{$where}") }}</h3>
        <dl class="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1 text-[15px]">@foreach (__("keys.{$where}") as $key =>
            $does)<dt><kbd class="border border-edge rounded px-1.5">{{ $names[$key] ?? $key }}</kbd></dt><dd>{{ $does
            }}</dd>@endforeach</dl>
    @endforeach
    <label class="flex gap-2.5 items-start mt-5"><input type="checkbox" class="accent-shutter w-4.5 h-4.5
        mt-0.5"><span>{{
        __('keys.act') }} <span class="meta block">{{ __('keys.act_text') }}</span></span></label>
</dialog>
