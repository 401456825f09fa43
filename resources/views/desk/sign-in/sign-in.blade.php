<x-desk.layout :title="__('desk_sign_in.sign_in')">
    <div class="max-w-md mx-auto mt-8">
        <h1 class="text-3xl mb-2">{{ __('desk_sign_in.sign_in') }}</h1>
        <p class="mb-5">{{ __('desk_sign_in.sign_in_text') }}</p>
        <form method="post" action="/desk/sign-in" class="panel p-6 grid gap-4">
            @csrf
            @if ($errors->any())
                <div class="message border-clay" role="alert"
                    id="sign-in-error">@foreach ($errors->all() as $error)<p>{{ $error }}</p>@endforeach</div>
            @endif
            <div class="grid gap-1.5">
                <label for="email" class="font-semibold">{{ __('desk.email') }}</label>
                <input id="email" name="email" type="email" value="{{ old('email') }}" class="field"
                    autocomplete="username" required maxlength="200" @if ($errors->any())
                    aria-describedby="sign-in-error" aria-invalid="true" @endif autofocus>
            </div>
            <div class="grid gap-1.5">
                <label for="password" class="font-semibold">{{ __('desk.password') }}</label>
                <input id="password" name="password" type="password" class="field" autocomplete="current-password"
                    required maxlength="200" @if ($errors->any()) aria-describedby="sign-in-error" aria-invalid="true"
                    @endif>
            </div>
            <label class="flex gap-2.5 items-start"><input type="checkbox" name="shared" value="1"
                @checked(old('shared')) class="accent-shutter w-4.5 h-4.5 mt-0.5"><span>{{
                __('account.shared_computer') }}<span class="meta block">{{
                __('account.shared_computer_hint') }}</span></span></label>
            <button class="btn">{{ __('common.sign_in') }}</button>
        </form>
        <p class="mt-4"><a class="link" href="/sign-in">{{ __('desk_sign_in.patron_sign_in') }}</a></p>
        @if ($demoStaff !== [])
            <div class="mt-6 bg-board rounded-panel p-4 text-[15px]">
                <p class="font-semibold mb-1">{{ __('desk_sign_in.demo_staff') }}</p>
                <ul class="grid gap-1">@foreach ($demoStaff as $of)<li>{{ $of['name'] }}:
                    <code>{{ $of['email'] }}</code>, <code>{{ $of['password'] }}</code></li>@endforeach</ul>
            </div>
        @endif
    </div>
</x-desk.layout>
