@use('App\Desk\Titles\OrderKind')
@use('App\Shared\View\Dates')
@use('App\Desk\Figures\DeskText')
@php
    $zone = $staff->library->zone();
    $id = $order->licence?->id;
    $heading = match (true) {
        $order->what === OrderKind::Add => __('titles.preview.add', ['model' =>
            __("desk.models.{$order->model->value}")]),
        $order->what === OrderKind::Copies => __('titles.preview.copies_phrase', ['id' => "#{$id}", 'copies' =>
            trans_choice('lending.of_copies', $order->copies)]),
        $order->endsAt === null => __('titles.preview.end_now', ['id' => "#{$id}"]),
        default => __('titles.preview.end', ['id' => "#{$id}", 'date' => Dates::day($order->endsAt, $zone)]),
    };
    $name = fn (int $place): string => match (true) {
        $place === $waiting + 1 => __('titles.row.new'),
        $place === 1 => __('titles.row.first'),
        default => __('titles.row.last', ['place' => $place]),
    };
@endphp
<x-desk.layout :title="$heading" on="licences" :staff="$staff">
    <p class="mb-1 text-[15px]"><a class="link" href="{{ route('desk.title', $title, false) }}">{{ $title->name
        }}</a></p>
    <h1 class="text-3xl mb-2">{{ $heading }}</h1>
    @if ($order->what === OrderKind::Add)<p class="mb-2 font-semibold">{{ DeskText::terms(['model' =>
        $order->model->value, 'copies' => $order->copies, 'loans' => $order->loans, 'from' =>
        ($order->startsAt ?? $now)->format(DATE_ATOM), 'at' => $order->endsAt?->format(DATE_ATOM), 'price' =>
        $order->priceCents, 'currency' => $staff->library->currency, 'rights' => ['pages_allowed' =>
        $order->rights->pages, 'chapters_as_pdf' => $order->rights->chaptersAsPdf, 'offline' =>
        $order->rights->offline, 'download' => $order->rights->download->value]], $staff->library) }}</p>@endif
    <p class="mb-4">{{ __('titles.preview_text') }}</p>
    <div class="panel overflow-x-auto mb-4" tabindex="0" role="group" aria-label="{{ $heading }}">
        <table class="w-full desk-table">
            <thead><tr><td></td><th scope="col">{{ __('desk.as_now') }}</th><th
                scope="col">{{ __('desk.then') }}</th></tr></thead>
            <tbody>
                <tr><th scope="row" class="text-left font-normal">{{ __('titles.row.copies') }}</th><td>{{ $copies[0]
                    }}</td><td @class(['font-semibold' => $copies[0] !== $copies[1]])>{{ $copies[1] }}</td></tr>
                @foreach ($places as $place)
                    @php [$was, $is] = [DeskText::turn($before[$place], $staff->library, $now),
                        DeskText::turn($after[$place + $change->setBack], $staff->library, $now)]; @endphp
                    <tr><th scope="row" class="text-left font-normal">{{ $name($place) }}</th><td>{{ $was }}</td><td
                        @class(['font-semibold' => $was !== $is])>{{ $is }}</td></tr>
                @endforeach
            </tbody>
        </table>
    </div>
    <ul class="grid gap-1 mb-6 max-w-[80ch]">
        @if ($waiting + $change->setBack > 0)<li>{{ trans_choice('titles.served', $served) }}</li>@endif
        @if ($change->setBack > 0)<li class="text-clay font-semibold">{{ trans_choice('titles.set_back',
            $change->setBack)
            }}</li>@endif
        @if ($order->what === OrderKind::End)<li>{{ __('titles.loans_stay') }} {{ __('titles.cannot_undo_end')
            }}</li>@endif
    </ul>
    <form method="post" action="{{ route('desk.change', $title, false) }}" class="flex gap-3">
        @csrf<input type="hidden" name="order" value="{{ $order->id }}">
        @foreach ($again as $field => $value)<input type="hidden" name="{{ $field }}" value="{{ $value }}">@endforeach
        <button class="btn">{{ __("titles.yes.{$order->what->value}") }}</button>
        <a class="btn btn-quiet" href="{{ route('desk.title', $title, false) }}">{{ __('desk.leave_it') }}</a>
    </form>
</x-desk.layout>
