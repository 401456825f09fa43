<x-desk.layout :title="__('staff.code_heading')">
    <div class="max-w-md mx-auto mt-8">
        <h1 class="text-3xl mb-2">{{ __('staff.code_heading') }}</h1>
        <p class="mb-5">{{ __('staff.code_text') }}</p>
        <form method="post" action="{{ route('desk.sign-in.code.store') }}" class="panel p-6 grid gap-4">
            @csrf
            <x-desk.field name="code" max="20" :label="__('staff.code')" autocomplete="one-time-code"
                inputmode="text" autofocus />
            <button class="btn">{{ __('common.sign_in') }}</button>
        </form>
    </div>
</x-desk.layout>
