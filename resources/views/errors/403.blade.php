{{-- Whoever refused says why, unless it is the framework. --}}
@php
    $said = $exception->getMessage() === 'This action is unauthorized.' ? '' : $exception->getMessage();
    $staff = request()->is('desk/*') ? auth('staff')->user() : null;
@endphp
@if ($staff === null)
    @include('errors.page', ['code' => '403', 'said' => $said])
@else
    <x-desk.layout :title="__('common.error.403.heading')" :staff="$staff">
        <h1 class="text-3xl mb-2">{{ __('common.error.403.heading') }}</h1>
        <p class="mb-5 max-w-[75ch]">{{ $said }}</p>
        <a class="btn" href="/desk/today">{{ __('desk.today') }}</a>
    </x-desk.layout>
@endif
