{{-- A person's e-reader and folder: $eReader, $folder, each null where there is none. --}}
<p class="-mt-3">{{ __('sending.text') }} <a class="link" href="{{ route('sendings.index', absolute: false) }}">{{
    __('sending.see') }}</a></p>
<section aria-labelledby="e-reader">
    <h3 id="e-reader" class="text-xl mb-1">{{ __('sending.e_reader') }}</h3>
    @if ($eReader?->confirmed_at !== null)
        <p class="mb-2 break-words">{{ __('sending.e_reader_is', ['address' => $eReader->address]) }}</p>
    @else
        <p class="mb-2">{{ __('sending.e_reader_text', ['from' => config('mail.from.address')]) }}</p>
    @endif
    @if ($eReader !== null && $eReader->confirmed_at === null)
        <form method="post" action="{{ route('settings.e_reader.confirm', absolute: false) }}"
            class="panel p-4 mb-3 flex flex-wrap items-end gap-3">@csrf<label class="grid gap-1"><span>{{
            __('sending.code') }}</span><input name="code" required inputmode="numeric" autocomplete="one-time-code"
            maxlength="10" class="field w-32 tabular-nums"></label><button class="btn">{{ __('sending.confirm')
            }}</button><p class="meta w-full break-words">{{ __('sending.code_text', ['address' => $eReader->address])
            }}</p></form>
    @endif
    <details @if ($eReader === null || $errors->has('e_reader')) open @endif><summary class="link cursor-pointer">{{
        __($eReader === null ? 'sending.e_reader_label' : 'sending.other') }}</summary>
        <form method="post" action="{{ route('settings.e_reader', absolute: false) }}" class="mt-2 flex flex-wrap
            items-end gap-3">@csrf<input name="e_reader" type="email" required maxlength="254"
            class="field grow max-w-sm" aria-label="{{ __('sending.e_reader_label') }}"
            value="{{ old('e_reader') }}"><button
            class="btn btn-quiet">{{ __('sending.e_reader_ask') }}</button></form>
        @error('e_reader')<p class="text-clay mt-1">{{ $message }}</p>@enderror</details>
    @if ($eReader !== null)<form method="post" action="{{ route('settings.e_reader.remove', absolute: false) }}"
        class="mt-2">@csrf<button class="link text-clay">{{ __('sending.remove') }}<span class="sr-only">: {{
        __('sending.e_reader') }}</span></button></form>@endif
</section>
<section aria-labelledby="own-folder">
    <h3 id="own-folder" class="text-xl mb-1">{{ __('sending.folder') }}</h3>
    @if ($folder !== null)
        <p class="mb-2 break-words">{{ __('sending.folder_is', ['address' => $folder->address, 'name' => $folder->name])
            }}</p>
        <form method="post" action="{{ route('settings.folder.remove', absolute: false) }}" class="mb-2">@csrf<button
            class="link text-clay">{{ __('sending.remove') }}<span class="sr-only">: {{ __('sending.folder')
            }}</span></button></form>
    @else
        <p class="mb-2">{{ __('sending.folder_text') }}</p>
    @endif
    <details @if ($errors->hasAny(['folder', 'folder_name', 'folder_secret']) || old('folder')) open @endif><summary
        class="link cursor-pointer">{{ __($folder === null ? 'sending.folder_add' : 'sending.other') }}</summary>
        <form method="post" action="{{ route('settings.folder', absolute: false) }}" class="panel p-4 mt-2 grid gap-3
            max-w-md">@csrf
            @foreach (['folder' => 'folder_label', 'folder_name' => 'folder_name', 'folder_secret' => 'folder_secret']
                as $name => $label)<label class="grid gap-1"><span>{{ __("sending.{$label}") }}</span><input
                name="{{ $name }}" required class="field w-full" type="{{ $name === 'folder_secret' ? 'password' :
                ($name === 'folder' ? 'url' : 'text') }}" maxlength="{{ $name === 'folder' ? 490 : 200 }}"
                autocomplete="{{ $name === 'folder_secret' ? 'new-password' : 'off' }}"
                @if ($name === 'folder_secret') aria-describedby="folder-hint" @else value="{{ old($name) }}"
                @endif>@error($name)<span class="text-clay">{{ $message }}</span>@enderror</label>@endforeach
            <p class="meta" id="folder-hint">{{ __('sending.folder_hint') }}</p>
            <button class="btn justify-self-start">{{ __('sending.folder_keep') }}</button>
        </form></details>
</section>
