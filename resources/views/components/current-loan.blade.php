@props(['on' => null])
@php($loan = in_array($on, ['porch', 'loans'], true) ? null : $current->loan())
@if ($loan !== null)
    <aside aria-label="{{ __('account.pick_up') }}" class="sm:hidden fixed inset-x-0 bottom-0 bg-board border-t border-rule px-4 py-2 flex items-center gap-3 z-10">
        <span class="flex-1 min-w-0 truncate font-semibold">{{ $loan->name }}</span>
        <a class="btn" href="/loans/{{ $loan->id }}/read">{{ __('lending.read') }}</a>
    </aside>
@endif
