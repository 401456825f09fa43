@props(['items', 'on', 'unread', 'apart' => false])
@foreach ($items as $name => $address)
    <a href="{{ $address }}" @class(['px-3 py-2 rounded-md no-underline whitespace-nowrap', 'bg-haint font-semibold' =>
        $on === $name]) @if ($on === $name) aria-current="page" @endif>{{ __("common.{$name}") }}</a>
@endforeach
@if ($current->person !== null)
    @if ($apart)<span class="flex-1"></span>@endif
    <a href="{{ route('notices', [], false) }}" @class(['px-3 py-2 rounded-md no-underline whitespace-nowrap',
        'bg-haint font-semibold' => $on === 'notices']) @if ($on === 'notices') aria-current="page"
        @endif>{{ $unread > 0 ? trans_choice('common.new_notices', $unread) : __('common.notices') }}</a>
    <a href="/settings" @class(['px-3 py-2 rounded-md no-underline whitespace-nowrap', 'bg-haint font-semibold' => $on
        === 'settings']) @if ($on === 'settings') aria-current="page" @endif>{{ __('common.settings') }}</a>
    <form method="post" action="{{ route('sign-out', [], false) }}">@csrf<button
        class="px-3 py-2 cursor-pointer whitespace-nowrap">{{ __('common.sign_out') }}</button></form>
@endif
