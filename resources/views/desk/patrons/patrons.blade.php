@use('App\Desk\Patrons\FindPatrons')
@use('App\Desk\Patrons\PatronSearch')
@use('App\Shared\View\Dates')
@php($zone = $staff->library->zone())
<x-desk.layout :title="__('desk.patrons')" on="patrons" :staff="$staff">
    <div class="flex flex-wrap items-baseline justify-between gap-3 mb-3"><h1 class="text-3xl">{{ __('desk.patrons')
        }}</h1><span class="flex flex-wrap gap-3"><a class="btn btn-quiet"
        href="{{ route('desk.patrons.files') }}">{{ __('card_import.title') }}</a><a class="btn"
        href="{{ route('desk.patrons.new') }}">{{ __('patrons.new') }}</a></span></div>
    <form class="flex flex-wrap gap-3 items-end mb-4 text-[15px]">
        <label class="grid gap-1 grow max-w-md">{{ __('patrons.find') }}<input name="find"
            value="{{ $search->find }}" maxlength="200" class="field py-1.5 min-h-9" autofocus></label>
        <label class="grid gap-1">{{ __('desk.group') }}<select name="group" class="field py-1.5 min-h-9"><option
            value="">{{ __('patrons.any') }}</option>@foreach ($groups as $group)<option @selected($search->group ===
            $group)>{{ $group }}</option>@endforeach</select></label>
        <label class="grid gap-1">{{ __('patrons.state') }}<select name="state" class="field py-1.5 min-h-9"><option
            value="">{{ __('patrons.any') }}</option>@foreach (PatronSearch::STATES as $state)<option
            value="{{ $state }}" @selected($search->state === $state)>{{ __("patrons.states.{$state}", ['days' =>
            PatronSearch::ENDING_DAYS]) }}</option>@endforeach</select></label>
        @if ($search->class !== null)<label class="grid gap-1">{{ __('patrons.class') }}<input name="class"
            value="{{ $search->class }}" maxlength="60" class="field py-1.5 min-h-9"></label>@endif
        <button class="btn btn-quiet">{{ __('desk.find_button') }}</button>
    </form>
    @if ($page->isEmpty())
        <p class="panel p-6">{{ $search->address() === [] ? __('patrons.nobody') : __('patrons.none') }}</p>
    @else
        <p class="meta mb-2">{{ $search->find !== '' && $page->total() >= FindPatrons::MOST ? __('patrons.many',
            ['most' => App\Shared\View\Numbers::of(FindPatrons::MOST)]) : trans_choice($search->address() === [] ?
                'patrons.newest' :
            'patrons.found', $page->total(), ['count' => App\Shared\View\Numbers::of($page->total())]) }}</p>
        <div class="panel overflow-x-auto mb-4" tabindex="0" role="group" aria-label="{{ __('desk.patrons') }}"><table
            class="w-full text-[15px] desk-table">
            <thead><tr><th scope="col">{{ __('patrons.name') }}</th><th scope="col">{{ __('patrons.number') }}</th><th
                scope="col">{{ __('desk.group') }}</th><th scope="col">{{ __('patrons.expires') }}</th><th scope="col"
                class="num">{{ __('patrons.loans') }}</th><th scope="col" class="num">{{ __('patrons.holds') }}</th>
                </tr></thead>
            <tbody>@foreach ($page as $card)<tr><th scope="row" class="text-left font-normal"><a class="font-semibold
                no-underline hover:underline" href="{{ route('desk.card', $card) }}"><bdi>{{ $card->person->name
                }}</bdi></a>@if ($card->blocked_at !== null) <span class="text-clay font-semibold">{{
                __('patrons.blocked') }}</span>@endif<span class="block text-soft">{{ $card->person->email }}</span>
                </th><td>{{ $card->number }}</td><td>{{ implode(' · ', array_filter([$card->patron_group,
                $card->class])) }}</td><td class="whitespace-nowrap">@if ($card->expires_at === null)<span
                class="text-soft">{{ __('desk.no_end') }}</span>@else<span @class(['text-clay font-semibold' =>
                $card->expires_at <= $now])>{{ Dates::day($card->expires_at, $zone) }}</span>@endif</td><td
                class="num">{{ $card->loans_open }}</td><td class="num">{{ $card->holds_open }}</td></tr>@endforeach
            </tbody>
        </table></div>
        <x-pager :page="$page" />
    @endif
</x-desk.layout>
