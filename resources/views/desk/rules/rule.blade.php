@use('App\Desk\Rules\RuleInput')
@use('App\Desk\Rules\RuleText')
@use('FigPorch\Core\Catalogue\Audience')
@use('FigPorch\Core\Lending\LoanRule')
@use('FigPorch\Core\Lending\RuleField')
@php($without = $table->with(new LoanRule($group, $format)))
<x-desk.layout :title="RuleText::scope($group, $format)" on="rules" :staff="$staff">
    <p class="mb-1 text-[15px]"><a class="link" href="{{ route('desk.rules') }}">{{ __('desk.rules') }}</a></p>
    <h1 class="text-3xl mb-1">{{ RuleText::scope($group, $format) }}</h1>
    <p class="mb-4 max-w-[75ch]">{{ __('rules.rule_text') }}</p>
    <form method="post" action="{{ route('desk.rule.change') }}" class="panel p-5 max-w-3xl grid sm:grid-cols-2 gap-5">
        @csrf
        <input type="hidden" name="group" value="{{ $group }}"><input type="hidden" name="format"
            value="{{ $format?->value }}"><input type="hidden" name="seen" value="{{ RuleInput::seen($rule) }}">
        @foreach (RuleField::cases() as $field)
            @php([$else, $origin] = $without->saying($field, $group, $format))
            @php($hint = __('rules.else', ['value' => RuleText::value($field, $field->code($else)),
                'origin' => __("rules.origins.{$origin->value}.1")]))
            @if ($field === RuleField::AudienceCeiling)
                <x-desk.options :name="$field->value" :label="__('rules.fields.'.$field->value)" :hint="$hint"
                    :chosen="$field->code($rule)" :options="['' => __('rules.left')] +
                    array_combine(array_column(Audience::cases(), 'value'), array_map(fn (Audience $of) =>
                    __('rules.ceilings.'.$of->value), Audience::cases()))" />
            @else
                <x-desk.field :name="$field->value" :label="__('rules.fields.'.$field->value)" :needed="false" max="60"
                    :hint="$hint.' '.__('rules.hints.'.$field->value)" :usual="$field->code($rule)" autocomplete="off"
                    :inputmode="$field->range() === null ? 'text' : 'numeric'" />
            @endif
        @endforeach
        <x-desk.field name="from" type="date" :label="__('rules.from')" :hint="__('rules.from_hint')"
            :needed="false" />
        <div class="sm:col-span-2"><button class="btn">{{ __('rules.look') }}</button></div>
    </form>
</x-desk.layout>
