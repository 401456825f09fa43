@use('App\Desk\Rules\RuleText')
@use('App\Shared\View\Dates')
@use('FigPorch\Core\Lending\RuleField')
@php($differ = array_filter(RuleField::cases(), fn (RuleField $of) => $of->code($before) !== $of->code($after)))
<x-desk.layout :title="RuleText::scope($group, $format)" on="rules" :staff="$staff">
    <p class="mb-1 text-[15px]"><a class="link" href="{{ route('desk.rules') }}">{{ __('desk.rules') }}</a></p>
    <h1 class="text-3xl mb-1">{{ __('rules.preview', ['whom' => RuleText::scope($group, $format)]) }}</h1>
    @if ($differ === [])
        <p class="panel p-5 my-4">{{ __('rules.no_difference') }}</p>
        <a class="btn" href="{{ route('desk.rules') }}">{{ __('desk.rules') }}</a>
    @else
        <p class="mb-4">{{ $input->from === null ? __('rules.preview_now') : __('rules.preview_from', ['date' =>
            Dates::day($input->from, $staff->library->zone())]) }}</p>
        <div class="panel overflow-x-auto max-w-2xl mb-5" tabindex="0" role="group" aria-label="{{ __('desk.rules')
            }}"><table class="w-full text-[15px] desk-table"><thead><tr><th scope="col"><span class="sr-only">{{
            __('rules.what') }}</span></th><th scope="col">{{ __('desk.as_now') }}</th><th scope="col">{{
            __('desk.then') }}</th></tr></thead><tbody>@foreach ($differ as $field)<tr><th scope="row"
            class="text-left font-normal">{{ __("rules.fields.{$field->value}") }}</th><td>{{ $field->code($before) ===
            '' ? __('rules.left') : RuleText::value($field, $field->code($before)) }}</td><td class="font-semibold">{{
            $field->code($after) === '' ? __('rules.left') : RuleText::value($field, $field->code($after)) }}</td></tr>
            @endforeach</tbody></table></div>
        <ul class="grid gap-1 mb-5">@forelse ($effects as $what => $count)<li>{{ trans_choice("rules.effects.{$what}",
            $count, ['count' => App\Shared\View\Numbers::of($count)]) }}</li>@empty<li>{{ __('rules.no_effect') }}</li>
            @endforelse</ul>
        <form method="post" action="{{ route('desk.rule.change') }}" class="flex gap-3" data-send-once>@csrf
            <input type="hidden" name="sure" value="1"><input type="hidden" name="group" value="{{ $group }}"><input
                type="hidden" name="format" value="{{ $format?->value }}"><input type="hidden" name="seen"
                value="{{ $input->seen }}"><input type="hidden" name="from"
                value="{{ $input->from?->format('Y-m-d') }}">
            @foreach (RuleField::cases() as $field)<input type="hidden" name="{{ $field->value }}"
                value="{{ $field->code($after) }}">@endforeach
            <button class="btn">{{ __('rules.yes') }}</button><a class="btn btn-quiet" href="{{ route('desk.rules')
                }}">{{ __('desk.leave_it') }}</a></form>
    @endif
</x-desk.layout>
