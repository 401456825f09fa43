@if ($suggestions !== [])
    <ul role="listbox" id="suggestion-list" aria-label="{{ __('search.suggestions') }}"
        class="bg-card text-ink border border-rule rounded-panel p-1.5 shadow-lg text-[15px]">
        @foreach ($suggestions as $n => $of)
            <li role="option" id="suggestion-{{ $n }}" aria-selected="false"
                class="rounded-md aria-selected:bg-haint hover:bg-haint"><a tabindex="-1"
                class="flex justify-between gap-4 px-3 py-2 no-underline text-ink"
                href="{{ $current->link($of->titleId !== null ? "/titles/{$of->titleId}" : route('catalogue',
                    $of->search,
                false)) }}">
                <span class="min-w-0 truncate">{{
                    App\Shared\View\TitleText::named($of->label, $of->language) }}</span><span
                    class="text-soft whitespace-nowrap">{{ $of->format !== null ?
                    implode(' · ', array_filter([__("catalogue.format.{$of->format}"), $of->edition])) :
                    __("search.kinds.{$of->kind}").' · '.App\Shared\View\Numbers::of($of->count) }}</span></a></li>
        @endforeach
    </ul>
@endif
