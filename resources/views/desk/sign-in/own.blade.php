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
        <div class="grid gap-7 content-start">
        <section aria-labelledby="second" class="panel p-5 grid gap-3"><h2 id="second" class="text-xl">{{
            __('staff.second') }}</h2>
            @if (App\Desk\SignIn\SecondFactor::isOn($staff))<p>{{ __('staff.second_is_on') }}</p>
                <form method="post" action="{{ route('desk.own.second.off') }}" class="grid gap-3">@csrf
                    <x-desk.field name="code" max="20" :label="__('staff.second_turn_off_text')"
                        autocomplete="one-time-code" /><div><button class="btn btn-quiet">{{ __('staff.second_turn_off')
                        }}</button></div></form>
            @else<p>{{ __('staff.second_is_off') }}</p><div><a class="btn btn-quiet"
                href="{{ route('desk.own.second') }}">{{ __('staff.second_set_up') }}</a></div>@endif</section>
        <section aria-labelledby="libraries"><h2 id="libraries" class="text-xl mb-2">{{ __('staff.libraries') }}</h2>
            <ul class="panel divide-y divide-rule">@foreach ($posts as $post)<li class="px-4 py-3 flex items-center
                gap-3"><span class="grow"><b>{{ $post->library->name }}</b><span class="meta block">{{
                __("staff.roles.{$post->role->value}.0") }}</span></span>
                @if ($post->library_id === $staff->library_id)<span class="meta">{{ __('staff.here') }}</span>
                @else<form method="post" action="{{ route('desk.at', $post->library->slug) }}">@csrf<button
                    class="btn btn-quiet">{{ __('staff.go_there') }}<span class="sr-only">: {{ $post->library->name
                    }}</span></button></form>@endif</li>@endforeach</ul>
            <details class="mt-3 text-[15px]"><summary class="link cursor-pointer text-clay">{{ __('staff.leave',
                ['library' => $staff->library->name]) }}</summary><form method="post"
                action="{{ route('desk.own.leave') }}" class="mt-2">@csrf<p class="mb-2">{{ __('staff.end_sure_self')
                }}</p><button class="btn btn-quiet">{{ __('staff.leave_yes') }}</button></form></details></section>
        </div>
    </div>
</x-desk.layout>
