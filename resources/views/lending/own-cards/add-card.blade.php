<x-layout :title="__('own_cards.add')" on="settings">
    <div class="max-w-md mx-auto">
        <p class="mb-1 text-[15px]"><a class="link" href="/settings">{{ __('common.settings') }}</a></p>
        <h1 class="text-3xl mb-2">{{ __('own_cards.add') }}</h1>
        <p class="mb-4">{{ __('own_cards.add_text') }}</p>
        <form method="post" action="{{ route('own_cards.add', [], false) }}" class="panel p-5 grid gap-4">@csrf
            <x-desk.options name="at" :label="__('common.library')" :options="$current->libraries()->pluck('name',
                'slug')" />
            <x-desk.field name="number" :max="40" :label="__('sign_in.card_number')" inputmode="numeric"
                autocomplete="off" />
            <x-desk.field name="pin" type="password" :max="64" :label="__('sign_in.pin')" inputmode="numeric"
                autocomplete="off" />
            <div><button class="btn">{{ __('own_cards.add') }}</button></div>
        </form>
    </div>
</x-layout>
