{{-- A page of help beside what one is doing. --}}
<section data-closable aria-labelledby="help-heading" class="fixed inset-y-0 right-0 z-40 w-full max-w-md bg-card
    border-l border-rule p-5 overflow-y-auto shadow-xl">
    <div class="flex items-start justify-between gap-4 mb-3"><h2 id="help-heading" tabindex="-1" data-focus
        class="text-2xl focus:outline-none">{{ $heading }}</h2><button type="button" class="btn btn-plain" data-close>{{
        __('help.close') }}</button></div>
    <div class="prose-small">{{ $text }}</div>
    <p class="mt-4"><a class="link" href="{{ route('help', [], false) }}">{{ __('help.all') }}</a></p>
</section>
