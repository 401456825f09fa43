@use('App\Shared\View\Dates')
<x-desk.layout :title="__('desk.letters')" on="letters" :staff="$staff">
    <h1 class="text-3xl mb-1">{{ __('desk.letters') }}</h1>
    <p class="mb-3">{{ __('letters.desk_text') }}</p>
    <nav aria-label="{{ __('desk.letters') }}" class="flex gap-1 border-b border-rule mb-4">
        @foreach (['waiting', 'done'] as $tab)<a href="{{ route('desk.letters', $tab === 'done' ? ['show' =>
            'answered'] : [], false) }}" @class(['px-3 py-2 no-underline border-b-3 -mb-px', 'border-shutter
            font-semibold' => ($tab === 'waiting') === $waiting, 'border-transparent' => ($tab === 'waiting') !==
            $waiting]) @if (($tab === 'waiting') === $waiting) aria-current="page" @endif>{{ __("letters.{$tab}")
            }}</a>@endforeach
    </nav>
    @if ($letters->isEmpty())<p class="panel p-5">{{ __($waiting ? 'letters.none_waiting' : 'letters.none_done') }}</p>
    @else
        <div class="panel overflow-x-auto" tabindex="0" role="group" aria-label="{{ __('desk.letters') }}"><table
            class="w-full text-[15px] desk-table">
            <thead><tr><th scope="col" class="w-1/2">{{ __('letters.letter') }}</th><th scope="col">{{
                __('letters.from') }}</th><th scope="col">{{ __('letters.about') }}</th><th scope="col">{{
                __('letters.since') }}</th></tr></thead>
            <tbody>@foreach ($letters as $letter)<tr><th scope="row" class="text-left font-normal min-w-52"><a
                class="font-semibold no-underline hover:underline" href="{{ route('desk.letter', $letter, false) }}">{{
                Illuminate\Support\Str::limit($letter->parts->last()?->text ?? '', 90, '…') }}</a></th><td>{{
                $letter->name ?: __('letters.nameless') }}</td><td class="break-words">{{ $letter->about }}</td><td
                class="whitespace-nowrap">{{ Dates::html($letter->last_at, $staff->library->zone()) }}</td></tr>
            @endforeach</tbody>
        </table></div>
        <x-pager :page="$letters" />
    @endif
</x-desk.layout>
