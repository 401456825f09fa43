<x-layout :title="__('account.choose_library')">
    <div class="max-w-2xl mx-auto mt-8">
        @php($any = $current->libraries()->isNotEmpty())
        <h1 class="text-4xl mb-2">{{ __($any ? 'account.choose_library' : 'account.no_library_yet') }}</h1>
        <p class="text-soft mb-6">{{ __($any ? 'account.choose_library_text' : 'account.no_library_yet_text') }}</p>
        @if ($any)
            <form class="flex gap-2 items-end mb-5" role="search" aria-label="{{ __('account.choose_library') }}"><input
                type="hidden" name="then" value="{{ $then
                }}"><label class="grid gap-1 grow font-semibold">{{ __('sign_in.find_library') }}<input name="find"
                value="{{ $words }}" maxlength="200" autocomplete="off" class="field font-normal"
                hx-get="{{ route('libraries.index', ['then' => $then], false) }}" hx-trigger="input changed delay:150ms"
                hx-target="#libraries" hx-sync="this:replace"></label><button class="btn btn-quiet">{{
                __('common.search') }}</button></form>
            <div id="libraries" aria-live="polite">@include('account.sign-in.libraries')</div>
        @endif
    </div>
</x-layout>
