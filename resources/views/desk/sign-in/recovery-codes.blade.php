<x-desk.layout :title="__('staff.recovery')" on="own" :staff="$staff">
    <h1 class="text-3xl mb-2">{{ __('staff.recovery') }}</h1>
    <p class="mb-4 max-w-[70ch]">{{ __('staff.recovery_text') }}</p>
    <ul class="panel p-5 grid grid-cols-2 gap-x-8 gap-y-2 max-w-md text-lg mb-5">@foreach ($codes as $code)<li><code>{{
        $code }}</code></li>@endforeach</ul>
    <a class="btn" href="{{ route('desk.own') }}">{{ __('staff.own') }}</a>
</x-desk.layout>
