@php($known = $message->exists)
<x-desk.layout :title="__($known ? 'messages.edit' : 'messages.write')" on="messages" :staff="$staff">
    <p class="mb-1 text-[15px]"><a class="link" href="{{ route('desk.messages', [], false) }}">{{ __('desk.messages')
        }}</a></p>
    <h1 class="text-3xl mb-4">{{ __($known ? 'messages.edit' : 'messages.write') }}</h1>
    @if ($looked)
        <p class="font-semibold mb-2" role="status">{{ __('messages.looked') }}</p>
        @foreach ($message->texts as $language => $text)
            <section lang="{{ $language }}" @class(['message mb-4', 'bg-lamp-wash border-lamp-line' =>
                $message->is_important, 'bg-board border-rule' => ! $message->is_important])>
                <h2 class="text-lg mb-1">{{ $text['title'] }}</h2>
                <div class="prose-small">{{ App\Account\Messages\MessageText::html($text['text']) }}</div>
            </section>
        @endforeach
    @endif
    <form method="post" action="{{ $known ? route('desk.message.change', $message, false) :
        route('desk.messages.write', [], false) }}" class="grid gap-5 max-w-4xl">@csrf
        @foreach ($staff->library->languages as $language)
            <fieldset class="panel p-5 grid gap-3.5"><legend class="font-serif text-lg px-1">{{
                __('messages.in_language', ['language' => config("app.locales.{$language}")]) }}</legend>
                @if ($loop->first && ! $loop->last)<p class="meta">{{ __('messages.language_hint') }}</p>@endif
                <x-desk.field :name="'title_'.$language" :label="__('messages.title')" :needed="false"
                    :usual="$message->texts[$language]['title'] ?? ''" :lang="$language" />
                <div class="grid gap-1"><label for="text_{{ $language }}" class="font-semibold">{{
                    __('messages.body') }}</label>@if ($loop->first)<p class="meta" id="text-hint">{{
                    __('messages.body_hint') }}</p>@endif @if ($errors->has("text_{$language}"))<p class="text-clay
                    font-semibold" id="text_{{ $language }}-error">{{ $errors->first("text_{$language}")
                    }}</p>@endif<textarea id="text_{{ $language }}"
                        name="text_{{ $language }}" rows="6" maxlength="4000"
                    lang="{{ $language }}" class="field" @if ($errors->has("text_{$language}"))
                    aria-invalid="true" aria-describedby="text-hint text_{{ $language }}-error" @else
                    aria-describedby="text-hint" @endif>{{ old("text_{$language}",
                    $message->texts[$language]['text'] ?? '') }}</textarea></div>
            </fieldset>
        @endforeach
        <div class="grid md:grid-cols-2 gap-5">
            <fieldset class="panel p-5"><legend class="font-serif text-lg px-1">{{ __('messages.where') }}</legend>
                <p class="meta mb-2">{{ __('messages.where_hint') }}</p>
                @foreach ($rooms as $slug => $name)<label class="flex items-center gap-2 py-1"><input type="checkbox"
                    name="rooms[]" value="{{ $slug }}" @checked(in_array($slug, old('rooms', $message->rooms), true))
                    class="accent-shutter w-4.5 h-4.5">{{ $name }}</label>@endforeach
            </fieldset>
            <fieldset class="panel p-5"><legend class="font-serif text-lg px-1">{{ __('messages.for_whom') }}</legend>
                <p class="meta mb-2">{{ __('messages.for_whom_hint') }}</p>
                @foreach ($groups as $group)<label class="flex items-center gap-2 py-1"><input type="checkbox"
                    name="groups[]" value="{{ $group }}" @checked(in_array($group, old('groups', $message->groups),
                    true)) class="accent-shutter w-4.5 h-4.5">{{ $group }}</label>@endforeach
            </fieldset>
        </div>
        <div class="panel p-5 grid gap-3.5">
            <div class="grid sm:grid-cols-2 gap-3"><x-desk.field name="first_day" type="date"
                :label="__('messages.first_day')" :needed="false" :usual="$message->first_day"
                :hint="__('messages.days_hint')" /><x-desk.field name="last_day" type="date"
                :label="__('messages.last_day')" :needed="false" :usual="$message->last_day" /></div>
            <label class="flex gap-2.5 items-start"><input type="checkbox" name="is_important" value="1"
                @checked(old('is_important', $message->is_important)) class="accent-shutter w-4.5 h-4.5 mt-0.5
                    flex-none"><span>{{
                __('messages.important') }}<span class="meta block">{{ __('messages.important_hint')
                }}</span></span></label>
        </div>
        <div class="flex flex-wrap gap-3"><button class="btn">{{ __($known ? 'messages.keep' : 'messages.publish')
            }}</button><button class="btn btn-quiet" name="look" value="1">{{ __('messages.look') }}</button></div>
    </form>
    @if ($known)<details class="mt-5 text-[15px]"><summary class="link cursor-pointer text-clay">{{
        __('messages.remove') }}</summary><form method="post" action="{{ route('desk.message.remove', $message, false)
        }}" class="mt-2">@csrf<p class="mb-2">{{ __('messages.remove_sure') }}</p><button class="btn btn-quiet">{{
        __('messages.remove') }}</button></form></details>@endif
</x-desk.layout>
