<x-desk.layout :title="__('patrons.new')" on="patrons" :staff="$staff">
    <p class="mb-1 text-[15px]"><a class="link" href="/desk/patrons">{{ __('desk.patrons') }}</a></p>
    <h1 class="text-3xl mb-4">{{ __('patrons.new') }}</h1>
    <form method="post" action="{{ route('desk.patrons.issue') }}" class="panel p-5 grid gap-4 max-w-2xl"
        data-send-once>
        @csrf
        <x-desk.field name="name" :label="__('patrons.name')" autocomplete="off" autofocus />
        <div class="grid sm:grid-cols-2 gap-4">
            <x-desk.options name="group" :label="__('desk.group')" :options="array_combine($groups, $groups)" />
            <x-desk.field name="email" type="email" max="200" :needed="false" :label="__('desk.email')"
                autocomplete="off" />
            <x-desk.field name="class" max="60" :needed="false" :label="__('patrons.class')"
                :hint="__('patrons.class_hint')" />
            <x-desk.field name="expires" type="date" :needed="false" :label="__('patrons.expires')"
                :hint="__('patrons.expires_hint')" />
            <x-desk.field name="number" max="32" :needed="false" :label="__('patrons.number')"
                :hint="__('patrons.number_hint')" autocomplete="off" />
        </div>
        <div><button class="btn">{{ __('patrons.issue') }}</button></div>
    </form>
</x-desk.layout>
