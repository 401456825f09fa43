@use('App\Desk\Trail\TrailText')
@use('App\Shared\View\Dates')
@php($zone = $staff->library->zone())
<x-desk.layout :title="__('trail.title')" on="trail" :staff="$staff">
    <h1 class="text-3xl mb-1">{{ __('trail.title') }}</h1>
    <p class="mb-4 max-w-[90ch]">{{ __('trail.text') }}</p>
    <form class="flex flex-wrap gap-3 items-end mb-4 text-[15px]">
        <label class="grid gap-1">{{ __('trail.who') }}<select name="by" class="field py-1.5 min-h-9"><option
            value="">{{ __('trail.anybody') }}</option>@foreach ($people as $id => $name)<option value="{{ $id }}"
            @selected($search->by === $id)>{{ $name }}</option>@endforeach</select></label>
        <label class="grid gap-1">{{ __('trail.what_heading') }}<select name="what" class="field py-1.5
            min-h-9"><option value="">{{ __('trail.anything') }}</option>@foreach ($kinds as $kind)<option
            value="{{ $kind }}" @selected($search->what === $kind)>{{ __("trail.what.{$kind}") }}</option>
            @endforeach</select></label>
        <label class="grid gap-1">{{ __('trail.from') }}<input type="date" name="from" value="{{ $search->from }}"
            class="field py-1.5 min-h-9"></label>
        <label class="grid gap-1">{{ __('trail.until') }}<input type="date" name="until" value="{{ $search->until }}"
            class="field py-1.5 min-h-9"></label>
        <label class="grid gap-1 grow max-w-xs">{{ __('trail.find') }}<input name="find" value="{{ $search->find }}"
            maxlength="200" class="field py-1.5 min-h-9"></label>
        <button class="btn btn-quiet">{{ __('desk.find_button') }}</button>
    </form>
    @if ($page->isEmpty())
        <p class="panel p-6">{{ $search->address() === [] ? __('trail.empty') : __('trail.none') }}</p>
    @else
        <p class="text-right mb-2"><a class="link text-[15px]"
            href="{{ route('desk.trail.csv', $search->address()) }}">{{ __('desk.csv_file') }}</a></p>
        <div class="panel overflow-x-auto mb-4" tabindex="0" role="group" aria-label="{{ __('trail.title') }}"><table
            class="w-full text-[15px] desk-table">
            <thead><tr><th scope="col">{{ __('trail.when') }}</th><th scope="col">{{ __('trail.who') }}</th><th
                scope="col">{{ __('trail.what_heading') }}</th><th scope="col">{{ __('trail.subject') }}</th><th
                scope="col">{{ __('trail.change') }}</th></tr></thead>
            <tbody>@foreach ($page as $row)<tr><td class="whitespace-nowrap">{{ Dates::exact(new
                DateTimeImmutable($row->changed_at), $zone) }}</td><td>{{ $row->by }}</td><td>{{ TrailText::what($row)
                }}</td><td><bdi>{{ $row->subject }}</bdi></td><td>@foreach (TrailText::facts($row) as $fact)<span
                class="block">{{ $fact }}</span>@endforeach</td></tr>@endforeach</tbody>
        </table></div>
        <x-pager :page="$page" />
    @endif
</x-desk.layout>
