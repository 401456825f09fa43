<x-desk.layout :title="__('staff.own')" on="own" :staff="$staff">
    <h1 class="text-3xl mb-4">{{ __('staff.own') }}</h1>
    <div class="grid lg:grid-cols-2 gap-8">
        <form method="post" action="{{ route('desk.own.change') }}" class="panel p-5 grid gap-4 content-start
            self-start">
            @csrf
            <x-desk.field name="name" :label="__('staff.your_name')" :usual="$staff->name" autocomplete="name" />
            <p class="meta">{{ __('staff.own_email', ['email' => $staff->email]) }}</p>
            <x-desk.field name="new_password" type="password" max="200" :needed="false"
                :label="__('staff.new_password')" :hint="__('staff.new_password_hint')" autocomplete="new-password"
                minlength="12" />
            <x-desk.field name="password" type="password" max="200" :needed="false" :label="__('staff.old_password')"
                :hint="__('staff.old_password_hint')" autocomplete="current-password" />
            <div><button class="btn">{{ __('staff.keep') }}</button></div>
        </form>
        <section aria-labelledby="libraries"><h2 id="libraries" class="text-xl mb-2">{{ __('staff.libraries') }}</h2>
            <ul class="panel divide-y divide-rule">@foreach ($posts as $post)<li class="px-4 py-3 flex items-center
                gap-3"><span class="grow"><b>{{ $post->library->name }}</b><span class="meta block">{{
                __("staff.roles.{$post->role->value}.0") }}</span></span>
                @if ($post->library_id === $staff->library_id)<span class="meta">{{ __('staff.here') }}</span>
                @else<form method="post" action="{{ route('desk.at', $post->library->slug) }}">@csrf<button
                    class="btn btn-quiet">{{ __('staff.go_there') }}<span class="sr-only">: {{ $post->library->name
                    }}</span></button></form>@endif</li>@endforeach</ul></section>
    </div>
</x-desk.layout>
