{{-- What became of the files; asked for anew while any is at work. --}}
@use('App\Shared\View\Dates')
@php($zone = $staff->library->zone())
@if ($page->isEmpty())
    <p class="panel p-6">{{ __('files.nothing_yet') }}</p>
@else
    <div @if ($atWork > 0) hx-get="{{ route('desk.files') }}" hx-trigger="every 2s" hx-target="#sent" @endif>
        @if ($atWork > 0)<p class="mb-2" role="status">{{ trans_choice('files.at_work', $atWork) }}</p>@endif
        <div class="panel overflow-x-auto mb-4" tabindex="0" role="group" aria-label="{{ __('desk.files') }}"><table
            class="w-full text-[15px] desk-table">
            <thead><tr><th scope="col">{{ __('files.file') }}</th><th scope="col">{{ __('files.outcome') }}</th><th
                scope="col">{{ __('files.when') }}</th></tr></thead>
            <tbody>@foreach ($page as $file)<tr><th scope="row" class="text-left font-normal min-w-40"><bdi>{{
                $file->name }}</bdi></th><td>@if ($file->title !== null){{ __("files.states.{$file->state}") }}: <a
                class="font-semibold" href="{{ route('desk.title', $file->title_id)
                    }}@if ($file->needsLicence())?add=1#add
                @endif"><bdi>{{ $file->title->name }}</bdi></a>@if ($file->needsLicence())<span
                class="block text-soft">{{ __('files.no_licence') }}</span>@endif
                @else<span @class(['text-clay' => $file->state === 'refused'])>{{ __("files.states.{$file->state}") }}
                @if ($file->words !== null)<span class="block text-ink">{{ $file->words }}</span>@endif</span>@endif
                @if ($file->state === 'refused')<form method="post"
                action="{{ route('desk.files.put_away', $file) }}">@csrf<button class="btn btn-plain">{{
                __('files.put_away') }}<span class="sr-only">: {{ $file->name }}</span></button></form>@endif
                </td><td class="whitespace-nowrap text-soft">{{ Dates::short($file->asked_at, $zone) }} · {{
                $file->member->name }}</td></tr>@endforeach</tbody>
        </table></div>
        <x-pager :page="$page" />
    </div>
@endif
