@if ($lists === [])<p class="text-soft">{{ __('account.no_lists') }}</p>@endif
<ul class="grid sm:grid-cols-2 lg:grid-cols-3 gap-5">
    @foreach ($lists as $of)
        <li><a href="{{ $current->link(route('catalogue', ['list' => $of->list->id], false)) }}"
            class="panel flex gap-3.5 p-4 no-underline hover:bg-haint h-full">
            <span class="flex flex-none" aria-hidden="true">@foreach ($of->first as $i => $title){{
                App\Shared\View\Covers\Cover::html($title, 56, decorative: true, class:
                ($i > 0 ? '-ml-7' : '').' shadow-[-2px_0_0_var(--color-card)]') }}@endforeach</span>
            <span>
                <span class="font-serif font-semibold text-lg leading-tight block">{{ $of->list->name }}</span>
                <span class="meta block mt-0.5">{{ App\Catalogue\StaffLists\ListText::counts($of) }}</span>
                <span class="block mt-1 text-[15px]">{{ $of->list->note }}</span>
            </span>
        </a></li>
    @endforeach
</ul>
