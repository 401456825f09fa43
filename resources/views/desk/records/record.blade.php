@use('App\Shared\View\Dates')
@use('FigPorch\Core\Catalogue\Audience')
@use('FigPorch\Core\Catalogue\RecordText')
@php($lines = ['identifiers' => 2, 'works' => 1, 'subjects' => 4, 'awards' => 2, 'description' => 8])
<x-desk.layout :title="__('records.title').': '.$title->name" on="titles" :staff="$staff">
    <p class="mb-1 text-[15px]"><a class="link" href="{{ route('desk.title', $title) }}"><bdi>{{ $title->name
        }}</bdi></a></p>
    <h1 class="text-3xl mb-1">{{ __('records.title') }}</h1>
    <p class="mb-4 max-w-[90ch]">{{ __('records.text') }}</p>
    <div class="grid lg:grid-cols-[1fr_360px] gap-8">
        <form method="post" action="{{ route('desk.record.save', $title) }}" class="panel p-5 grid sm:grid-cols-2 gap-4
            min-w-0">
            @csrf
            <input type="hidden" name="seen" value="{{ json_encode($texts) }}">
            @foreach (RecordText::FIELDS as $field)
                @if ($field === 'contributors')
                    <fieldset class="sm:col-span-2 grid gap-2"><legend class="font-semibold mb-1">{{
                        __('records.fields.contributors') }}</legend>
                        @if ($errors->has('contributors'))<p class="text-clay font-semibold">{{
                            $errors->first('contributors') }}</p>@endif
                        @foreach ($people as $n => [$role, $name, $sort])
                            <div class="grid grid-cols-2 sm:grid-cols-[1fr_1fr_9rem] gap-2"><input
                                name="person_{{ $n }}_name"
                                value="{{ old("person_{$n}_name", $name) }}" maxlength="255"
                                class="field min-w-0 max-sm:col-span-2"
                                aria-label="{{ __('records.person', ['n' => $n + 1]) }}"
                                placeholder="{{ __('records.person_name') }}"><input name="person_{{ $n }}_sort"
                                value="{{ old("person_{$n}_sort", $sort) }}" maxlength="255" class="field min-w-0"
                                aria-label="{{ __('records.person_sort', ['n' => $n + 1]) }}"
                                placeholder="{{ __('records.person_sorts') }}"><select name="person_{{ $n }}_role"
                                class="field min-w-0" aria-label="{{ __('records.person_role', ['n' => $n + 1]) }}">
                                @foreach (RecordText::ROLES as $of)<option value="{{ $of }}"
                                @selected(old("person_{$n}_role", $role ?: 'author') === $of)>{{
                                __("records.roles.{$of}") }}</option>@endforeach</select></div>
                        @endforeach</fieldset>
                @elseif ($field === 'audience')
                    <x-desk.options name="audience" :label="__('records.fields.audience')" :chosen="$texts['audience']"
                        :options="array_combine(array_column(Audience::cases(), 'value'), array_map(fn (Audience $of) =>
                        __('catalogue.audience.'.$of->value), Audience::cases()))" />
                @elseif (isset($lines[$field]))
                    <div class="sm:col-span-2 grid gap-1"><label for="{{ $field }}" class="font-semibold">{{
                        __("records.fields.{$field}") }}</label>@if ($field !== 'description')<p class="meta"
                        id="{{ $field }}-hint">{{ __($field === 'works' ? 'records.works_hint' : 'records.a_line_each')
                        }}</p>@endif
                        @if ($errors->has($field))<p class="text-clay font-semibold">{{ $errors->first($field) }}</p>
                        @endif<textarea id="{{ $field }}" name="{{ $field }}" rows="{{ $lines[$field] }}"
                        class="field min-w-0" @if ($field !== 'description') aria-describedby="{{ $field }}-hint"
                        @endif>{{ old($field, $texts[$field]) }}</textarea></div>
                @else
                    <x-desk.field :name="$field" max="500" :needed="$field === 'name'"
                        :label="__('records.fields.'.$field)" :usual="$texts[$field]"
                        :hint="__('records.hints.'.$field) ?: null" autocomplete="off" />
                @endif
            @endforeach
            <div class="sm:col-span-2"><button class="btn">{{ __('records.save') }}</button></div>
        </form>
        <div class="grid gap-7 content-start"><section aria-labelledby="cover"><h2 id="cover" class="text-xl mb-2">{{
            __('records.cover') }}</h2><div class="flex gap-4 items-start"><span class="flex-none">{{
            App\Shared\View\Covers\Cover::html($title, 120) }}</span><div class="grid gap-3 text-[15px] min-w-0">
            <form method="post" action="{{ route('desk.record.cover', $title) }}" enctype="multipart/form-data"
                class="grid gap-2" data-send-once>@csrf<label for="cover-file">{{
                __('records.cover_send') }}</label><input id="cover-file" name="cover" type="file" required
                accept="image/png,image/jpeg,image/webp,image/svg+xml" class="field min-w-0 w-full"><div><button
                class="btn btn-quiet">{{ __('records.cover_button') }}</button></div></form>
            @if ($title->cover_file !== null)<a class="link" download
                href="{{ route('titles.cover', $title, false) }}">{{ __('records.cover_get') }}</a>@endif
            @if ($title->own_cover !== null)<form method="post" action="{{ route('desk.record.cover', $title)
                }}">@csrf<button name="take_off" value="1" class="btn btn-plain">{{
                __($title->file_cover === null ? 'records.cover_to_drawn' :
                'records.cover_to_file') }}</button></form>@endif</div></div></section>
        <section aria-labelledby="work"><h2 id="work" class="text-xl mb-2">{{ __('records.work') }}</h2>
            <div class="panel p-4 grid gap-3 text-[15px]"><p>{{ __($ofWork->isEmpty() ? 'records.work_alone' :
                'records.work_with') }}</p>
                @if ($ofWork->isNotEmpty())<ul class="grid gap-1">@foreach ($ofWork as $one)<li><a class="link"
                    href="{{ route('desk.title', $one, false) }}"><bdi>{{ $one->name }}</bdi></a> <span
                    class="text-soft">{{ __("catalogue.format.{$one->format->value}") }}</span></li>@endforeach</ul>
                @endif
                @if ($title->work_said !== null)<p>{{ __('records.work_said') }}</p>@endif
                <form method="post" action="{{ route('desk.record.work', $title, false) }}"
                    class="flex flex-wrap gap-3">@csrf @if ($ofWork->isNotEmpty())<button name="do" value="apart"
                    class="btn btn-quiet">{{ __('records.work_apart') }}</button>@endif
                    @if ($title->work_said !== null)<button name="do" value="record" class="btn btn-plain">{{
                        __('records.work_as_record') }}</button>@endif</form>
                <form method="post" action="{{ route('desk.record.work', $title, false) }}" class="grid gap-2">@csrf
                    <x-desk.field name="other" max="200" :label="__('records.work_other')"
                        :hint="__('records.work_other_hint')" autocomplete="off" /><div><button name="do"
                        value="together" class="btn btn-quiet">{{ __('records.work_together') }}</button></div></form>
            </div></section>
        <section aria-labelledby="changes"><h2 id="changes" class="text-xl mb-2">{{ __('rules.history') }}</h2>
            @if ($changes === [])<p class="panel p-4">{{ __('records.no_changes') }}</p>
            @else<ul class="panel divide-y divide-rule text-[15px]">@foreach ($changes as $change)<li class="px-4 py-3">
                <span class="text-soft block">{{ $change->by }}, {{ $change->at }} · {{ Dates::exact(new
                DateTimeImmutable($change->changed_at), $staff->library->zone()) }}@if ($change->undone) · {{
                __('rules.withdrawn') }}@endif</span>
                @foreach (json_decode($change->after, true) as $field => $after)<span class="block">{{
                    __("records.fields.{$field}") }}: {{ Str::limit(json_decode($change->before, true)[$field] ?: '–',
                    60) }} → {{ Str::limit($after ?: '–', 60) }}</span>@endforeach
                @if (! $change->undone)<form method="post" action="{{ route('desk.record.undo', [$title, $change->id])
                    }}" class="mt-1">@csrf<button class="btn btn-quiet">{{ __('common.undo') }}</button></form>@endif
                </li>@endforeach</ul>@endif</section></div>
    </div>
</x-desk.layout>
