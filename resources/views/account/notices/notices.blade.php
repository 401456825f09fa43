<x-layout :title="__('common.notices')" on="notices">
    <h1 class="text-3xl mb-4">{{ __('common.notices') }}</h1>
    @forelse ($notices as $notice)
        <article @class(['panel p-5 mb-3 max-w-3xl', 'border-lamp-line bg-lamp-wash' => $notice->read_at === null])>
            <h2 class="text-lg"><a class="no-underline hover:underline"
                href="{{ App\Account\Notices\NoticeText::address($notice) }}">{{
                App\Account\Notices\NoticeText::subject($notice) }}</a></h2>
            <p class="mt-1 max-w-[70ch]">{{ App\Account\Notices\NoticeText::body($notice) }}</p>
            <p class="meta mt-1">{{ App\Shared\View\Dates::exact($notice->created_at, $current->library?->zone() ?? new
                DateTimeZone('UTC')) }}</p>
        </article>
    @empty
        <p class="text-soft">{{ __('account.no_notices') }}</p>
    @endforelse
</x-layout>
