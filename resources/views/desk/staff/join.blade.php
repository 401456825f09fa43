<x-desk.layout :title="__('staff.join')">
    <div class="max-w-md mx-auto mt-8">
        <h1 class="text-3xl mb-2">{{ __('staff.join_at', ['library' => $invitation->library->name]) }}</h1>
        <p class="mb-5">{{ __('staff.join_text', ['name' => $invitation->inviter->name,
            'role' => __("staff.roles.{$invitation->role->value}.0"), 'email' => $invitation->email]) }}
            @if ($known !== null){{ __('staff.join_known') }}@endif</p>
        <form method="post" action="{{ route('desk.join.store', $key) }}" class="panel p-6 grid gap-4">
            @csrf
            <input type="hidden" name="email" value="{{ $invitation->email }}" autocomplete="username">
            @if ($known === null)
                <x-desk.field name="name" :label="__('staff.your_name')" autocomplete="name" />
                <x-desk.field name="password" type="password" max="200" :label="__('setup.password')"
                    :hint="__('setup.password_hint')" autocomplete="new-password" minlength="12" />
            @else
                <x-desk.field name="password" type="password" max="200" :label="__('desk.password')"
                    autocomplete="current-password" />
            @endif
            <button class="btn">{{ __('staff.join') }}</button>
        </form>
    </div>
</x-desk.layout>
