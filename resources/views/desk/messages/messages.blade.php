@use('App\Shared\View\Dates')
@php
    $zone = $staff->library->zone();
    $day = fn (string $of): string => Dates::day(new DateTimeImmutable("{$of} 12:00", $zone), $zone);
@endphp
<x-desk.layout :title="__('desk.messages')" on="messages" :staff="$staff">
    <div class="flex flex-wrap items-start justify-between gap-4 mb-4"><div><h1 class="text-3xl mb-1">{{
        __('desk.messages') }}</h1><p class="max-w-[85ch]">{{ __('messages.text') }}</p></div><a class="btn"
        href="{{ route('desk.messages.create', [], false) }}">{{ __('messages.write') }}</a></div>
    @if ($messages->isEmpty())<p class="panel p-5">{{ __('messages.none') }}</p>
    @else
        <div class="panel overflow-x-auto" tabindex="0" role="group" aria-label="{{ __('desk.messages') }}"><table
            class="w-full text-[15px] desk-table">
            <thead><tr><th scope="col" class="w-1/2">{{ __('messages.title') }}</th><th scope="col">{{
                __('messages.shows') }}</th><th scope="col">{{ __('messages.where') }}</th><th scope="col">{{
                __('messages.for_whom') }}</th></tr></thead>
            <tbody>@foreach ($messages as $message)
                @php($on = $message->reach()->isOn($today))
                <tr><th scope="row" class="text-left font-normal min-w-52"><a class="font-semibold no-underline
                    hover:underline" href="{{ route('desk.message', $message, false) }}">{{
                    $message->in(app()->getLocale())['title'] }}</a> <span class="text-soft">{{
                    implode(', ', array_intersect_key(config('app.locales'), $message->texts)) }}
                    @if ($message->told_at !== null) · {{ __('messages.told', ['date' => Dates::day($message->told_at,
                    $zone)]) }}@endif</span></th>
                    <td>{{ $message->last_day === null ? __('messages.from_on', ['from' => $day($message->first_day)]) :
                        __('messages.from_to', ['from' => $day($message->first_day), 'to' => $day($message->last_day)])
                        }} <span @class(['block', 'meta' => ! $on, 'font-semibold' => $on])>{{ __($on ?
                        'messages.stands' : ($message->first_day > $today ? 'messages.to_come' : 'messages.over'))
                        }}</span></td>
                    <td>{{ $message->rooms === [] ? __('messages.front_door') : implode(', ',
                        array_intersect_key($rooms, array_flip($message->rooms))) }}</td>
                    <td>{{ $message->groups === [] ? __('messages.everybody') : implode(', ', $message->groups)
                        }}</td></tr>
            @endforeach</tbody>
        </table></div>
        <x-pager :page="$messages" />
    @endif
</x-desk.layout>
