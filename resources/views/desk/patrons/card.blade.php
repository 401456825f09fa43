@use('App\Desk\Trail\TrailText')
@use('App\Shared\View\Dates')
@php
    $zone = $staff->library->zone();
    $isExpired = $card->expires_at !== null && $card->expires_at <= $now;
@endphp
<x-desk.layout :title="$card->person->name" on="patrons" :staff="$staff">
    <p class="mb-1 text-[15px]"><a class="link" href="/desk/patrons">{{ __('desk.patrons') }}</a></p>
    <h1 class="text-3xl"><bdi>{{ $card->person->name }}</bdi></h1>
    <p class="mb-4 tabular-nums">{{ __('patrons.card_of', ['number' => $card->number]) }}</p>
    @if ($pin !== null)<p class="message bg-lamp-wash border-lamp-line mb-4">{{ __('patrons.pin_is') }} <b
        class="text-xl tabular-nums ml-1">{{ $pin }}</b></p>@endif
    @if ($card->blocked_at !== null)<p class="message bg-card border-clay mb-4"><b class="text-clay">{{
        __('patrons.blocked_since', ['date' => Dates::day($card->blocked_at, $zone)]) }}</b> @if ($card->block_reason
        !== null)<bdi>{{ $card->block_reason }}</bdi>@endif</p>
    @elseif ($isExpired)<p class="message bg-card border-clay mb-4"><b class="text-clay">{{
        __('patrons.expired_on', ['date' => Dates::day($card->expires_at, $zone)]) }}</b></p>@endif
    <div class="grid lg:grid-cols-[1fr_420px] gap-8">
        <div class="grid gap-7 content-start">
            <dl class="panel grid grid-cols-2 sm:grid-cols-4 text-[15px]">
                <div class="p-4"><dt class="text-soft">{{ __('patrons.loans') }}</dt><dd class="text-xl
                    tabular-nums">{{ __('patrons.of_most', ['count' => $card->loans_open, 'most' => $terms->maxLoans])
                    }}</dd></div>
                <div class="p-4"><dt class="text-soft">{{ __('patrons.holds') }}</dt><dd class="text-xl
                    tabular-nums">{{ __('patrons.of_most', ['count' => $card->holds_open, 'most' => $terms->maxHolds])
                    }}</dd></div>
                <div class="p-4"><dt class="text-soft">{{ __('desk.group') }}</dt><dd class="text-xl">{{
                    implode(' · ', array_filter([$card->patron_group, $card->class])) }}</dd></div>
                <div class="p-4"><dt class="text-soft">{{ __('patrons.expires') }}</dt><dd class="text-xl">{{
                    $card->expires_at === null ? __('desk.no_end') : Dates::day($card->expires_at, $zone) }}</dd>
                    </div>
            </dl>
            @if ($card->loans_open + $card->holds_open > 0)
                <form method="post" action="{{ route('desk.card.help', $card) }}" class="text-[15px]">@csrf<p
                    class="mb-2">{{ __('patrons.help_text') }}</p><button class="btn btn-quiet">{{ __('patrons.help')
                    }}</button></form>
            @endif
            <form method="post" action="{{ route('desk.card.describe', $card) }}" class="panel p-5 grid gap-4">
                @csrf
                <h2 class="text-xl">{{ __('patrons.describe') }}</h2>
                @if ($mayRename)
                    <div class="grid sm:grid-cols-2 gap-4">
                        <x-desk.field name="name" :label="__('patrons.name')" :usual="$card->person->name"
                            autocomplete="off" />
                        <x-desk.field name="email" type="email" max="200" :needed="false" :label="__('desk.email')"
                            :usual="$card->person->email" autocomplete="off" />
                    </div>
                @else<p class="meta">{{ __('patrons.cards_elsewhere') }}</p>@endif
                <div class="grid sm:grid-cols-2 gap-4">
                    <x-desk.options name="group" :label="__('desk.group')" :options="array_combine($groups, $groups)"
                        :chosen="$card->patron_group" />
                    <x-desk.field name="class" max="60" :needed="false" :label="__('patrons.class')"
                        :usual="$card->class" />
                </div>
                <div><button class="btn">{{ __('patrons.keep') }}</button></div>
            </form>
            @if ($changes !== [])
                <section aria-labelledby="changes"><h2 id="changes" class="text-xl mb-2">{{ __('patrons.history')
                    }}</h2><ul class="text-[15px] grid gap-1.5">@foreach ($changes as $row)<li><span
                    class="text-soft">{{ Dates::exact(new DateTimeImmutable($row->changed_at), $zone) }} · {{ $row->by
                    }}</span> {{ TrailText::what($row) }}@if (TrailText::facts($row) !== [])<span class="text-soft">:
                    {{ implode('; ', TrailText::facts($row)) }}</span>@endif</li>@endforeach</ul></section>
            @endif
        </div>
        <div class="grid gap-4 content-start">
            <form method="post" action="{{ route('desk.card.renew', $card) }}" class="panel p-4 grid gap-3">@csrf
                <x-desk.field name="expires" type="date" :needed="false" :label="__('patrons.renew_until')"
                    :hint="__('patrons.expires_hint')" :usual="$yearOn->format('Y-m-d')" />
                <div><button class="btn btn-quiet">{{ __('patrons.renew') }}</button></div></form>
            <form method="post" action="{{ route('desk.card.pin', $card) }}" class="panel p-4 grid gap-2"
                data-send-once>@csrf
                <p>{{ __('patrons.pin_text') }}</p><div><button class="btn btn-quiet">{{ __('patrons.new_pin')
                }}</button></div></form>
            <form method="post" action="{{ route('desk.card.replace', $card) }}" class="panel p-4 grid gap-2"
                data-send-once>@csrf
                <label for="new-number" class="font-semibold">{{ __('patrons.replace') }}</label><p class="meta"
                id="new-number-hint">{{ __('patrons.replace_text') }}</p><div class="flex gap-2"><input
                id="new-number" name="number" maxlength="32" class="field flex-1 min-w-0" autocomplete="off"
                aria-describedby="new-number-hint"><button class="btn btn-quiet">{{ __('patrons.replace_button')
                }}</button></div></form>
            @if ($card->blocked_at === null)
                <form method="post" action="{{ route('desk.card.block', $card) }}" class="panel p-4 grid gap-2">@csrf
                    <label for="reason" class="font-semibold">{{ __('patrons.block') }}</label><p class="meta"
                    id="reason-hint">{{ __('patrons.block_text') }}</p><textarea id="reason" name="reason" rows="2"
                    maxlength="300" required class="field" aria-describedby="reason-hint">{{ old('reason')
                    }}</textarea><div><button class="btn btn-quiet">{{ __('patrons.block_button') }}</button></div>
                    </form>
            @else
                <form method="post" action="{{ route('desk.card.unblock', $card) }}" class="panel p-4">@csrf<button
                    class="btn btn-quiet">{{ __('patrons.unblock') }}</button></form>
            @endif
            @if ($isChild || $adults !== [])
                <section class="panel p-4 grid gap-3" aria-labelledby="household"><h2 id="household"
                    class="font-semibold">{{ __('patrons.household') }}</h2>
                    @foreach ($adults as $adult)<div class="flex items-center justify-between gap-3"><bdi>{{
                        $adult->is_here ? $adult->name : __('patrons.household_elsewhere') }}</bdi><form method="post"
                        action="{{ route('desk.card.household.end', $card) }}">@csrf<input type="hidden" name="adult"
                        value="{{ $adult->person_id }}"><button class="btn btn-plain">{{ __('patrons.household_end')
                        }}<span class="sr-only">: {{ $adult->is_here ? $adult->name :
                        __('patrons.household_elsewhere') }}</span></button></form></div>@endforeach
                    @if ($isChild)
                        <p class="meta" id="adult-hint">{{ __('patrons.household_text') }}</p>
                        <form method="post" action="{{ route('desk.card.household', $card) }}">@csrf<label
                            for="adult-number" class="block mb-1">{{ __('patrons.household_number') }}</label><div
                            class="flex gap-2"><input id="adult-number" name="adult" maxlength="32" required
                            class="field flex-1 min-w-0" autocomplete="off" aria-describedby="adult-hint"
                            value="{{ old('adult') }}"><button class="btn btn-quiet">{{ __('patrons.household_add')
                            }}</button></div></form>
                    @endif
                </section>
            @endif
            <details class="text-[15px]" @if ($other !== null) open @endif><summary class="link cursor-pointer">{{
                __('patrons.merge') }}</summary>
                <form method="post" action="{{ route('desk.card.merge', $card) }}" class="panel p-4 mt-2 grid
                    gap-2">@csrf
                    @if ($other !== null)
                        <p><b>{{ __('patrons.merge_sure', ['name' => $other->person->name, 'number' => $other->number,
                            'keep' => $card->number]) }}</b></p><p>{{ __('patrons.merge_text') }}</p>
                        <input type="hidden" name="number" value="{{ $other->number }}"><input type="hidden"
                            name="sure" value="{{ $other->id }}"><div><button class="btn btn-quiet">{{
                            __('patrons.merge_yes') }}</button></div>
                    @else
                        <label for="other-number">{{ __('patrons.merge_number') }}</label><div class="flex gap-2"><input
                            id="other-number" name="number" maxlength="32" required class="field flex-1 min-w-0"
                            autocomplete="off"><button class="btn btn-quiet">{{ __('patrons.merge_look') }}</button>
                            </div>
                    @endif</form></details>
            <details class="text-[15px]"><summary class="link cursor-pointer text-clay">{{ __('patrons.erase')
                }}</summary>
                <form method="post" action="{{ route('desk.card.erase', $card) }}" class="panel p-4 mt-2 grid
                    gap-2">@csrf<p>{{ __('patrons.erase_text') }}</p><label for="sure-number">{{
                    __('patrons.erase_number') }}</label><div class="flex gap-2"><input id="sure-number" name="number"
                    maxlength="32" required class="field flex-1 min-w-0" autocomplete="off"><button class="btn
                    btn-quiet">{{ __('patrons.erase_yes') }}</button></div></form></details>
        </div>
    </div>
</x-desk.layout>
