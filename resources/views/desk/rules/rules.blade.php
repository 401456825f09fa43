@use('App\Desk\Rules\RuleText')
@use('App\Shared\View\Dates')
@use('FigPorch\Core\Catalogue\Format')
@use('FigPorch\Core\Lending\RuleField')
@use('FigPorch\Core\Lending\RuleOrigin')
@php($zone = $staff->library->zone())
<x-desk.layout :title="__('desk.rules')" on="rules" :staff="$staff">
    <h1 class="text-3xl mb-1">{{ __('desk.rules') }}</h1>
    <p class="mb-3 max-w-[90ch]">{{ __('rules.text') }}</p>
    <p class="mb-3 text-[15px] flex flex-wrap gap-x-5 gap-y-1">@foreach (RuleOrigin::cases() as $origin)<span><span
        class="rule-origin" data-origin="{{ $origin->value }}" aria-hidden="true">{{
        __("rules.origins.{$origin->value}.0") }}</span> {{ __("rules.origins.{$origin->value}.1") }}</span>@endforeach
        </p>
    <div class="panel overflow-x-auto mb-7" tabindex="0" role="group" aria-label="{{ __('desk.rules') }}"><table
        class="w-full text-[15px] desk-table">
        <thead><tr><th scope="col">{{ __('rules.whom') }}</th>@foreach (RuleField::cases() as $field)<th scope="col"
            class="whitespace-normal min-w-20">{{ __("rules.fields.{$field->value}") }}</th>@endforeach</tr></thead>
        @foreach ([null, ...$groups] as $group)<tbody>
            @foreach ([null, ...Format::lent()] as $format)<tr><th scope="row" @class(['text-left font-normal
                whitespace-nowrap', 'pl-8!' => $format !== null])><a @class(['no-underline hover:underline',
                'font-semibold' => $format === null]) href="{{ route('desk.rule', array_filter(['group' => $group,
                'format' => $format?->value])) }}">{{ $format === null ? RuleText::scope($group, null) :
                __("catalogue.format.{$format->value}") }}@if ($format !== null)<span class="sr-only">, {{
                RuleText::scope($group, null) }}</span>@endif</a></th>
                @foreach (RuleField::cases() as $field)
                    @php([$rule, $origin] = $table->saying($field, $group, $format))
                    <td class="align-top"><span @class(['text-soft' => $rule->group !== $group || $rule->format !==
                        $format || $origin === RuleOrigin::Practice])>{{ RuleText::value($field, $field->code($rule))
                        }}</span> <span class="rule-origin" data-origin="{{ $origin->value }}"
                        title="{{ __("rules.origins.{$origin->value}.1") }}"><span aria-hidden="true">{{
                        __("rules.origins.{$origin->value}.0") }}</span><span class="sr-only">{{
                        __("rules.origins.{$origin->value}.1") }}</span></span></td>
                @endforeach</tr>@endforeach
        </tbody>@endforeach
    </table></div>
    <div class="grid lg:grid-cols-[1fr_380px] gap-8">
        <section aria-labelledby="history"><h2 id="history" class="text-xl mb-2">{{ __('rules.history') }}</h2>
            @if ($changes === [])<p class="panel p-5">{{ __('rules.no_history') }}</p>
            @else<ul class="panel divide-y divide-rule">@foreach ($changes as $change)<li class="px-4 py-3 flex
                flex-wrap items-baseline gap-3 text-[15px]"><span class="grow min-w-0"><b>{{
                RuleText::scope($change->patron_group, Format::tryFrom((string) $change->format)) }}</b> <span
                class="text-soft">{{ $change->by }} · {{
                $change->state === 'planned' ? __('rules.from_day', ['date' => Dates::day(new
                DateTimeImmutable($change->applies_at), $zone)]) : Dates::exact(new
                DateTimeImmutable($change->applies_at), $zone) }}@if ($change->state === 'withdrawn') · {{
                __('rules.withdrawn') }}@endif</span>
                @foreach (json_decode($change->after, true) as $name => $code)
                    @php($field = RuleField::from($name))
                    <span class="block">{{ __("rules.fields.{$name}") }}: {{ RuleText::value($field,
                        json_decode($change->before, true)[$name]) }} → {{ RuleText::value($field, $code) }}</span>
                @endforeach</span>
                @if ($change->state !== 'withdrawn')<form method="post" action="{{ route('desk.rule.undo', $change->id)
                    }}">@csrf<button class="btn btn-quiet">{{ $change->state === 'planned' ? __('rules.take_back') :
                    __('common.undo') }}</button></form>@endif</li>@endforeach</ul>@endif</section>
        <form method="post" action="{{ route('desk.rules.group') }}" class="panel p-4 grid gap-3 content-start
            self-start">@csrf
            <x-desk.field name="name" max="24" :label="__('rules.new_group')" :hint="__('rules.new_group_hint')" />
            <div><button class="btn btn-quiet">{{ __('rules.add_group') }}</button></div></form>
    </div>
</x-desk.layout>
