{{-- The fields of a shelf. --}}
@use('FigPorch\Core\Catalogue\Holding')
<x-desk.field name="place" :label="__('holdings_desk.place')" :hint="__('holdings_desk.place_hint')"
    :max="Holding::PLACE_LETTERS" :usual="$holding?->place" autocomplete="off" />
<div class="grid grid-cols-[1fr_7rem] gap-4 items-end"><x-desk.field name="call_number"
    :label="__('holdings_desk.call_number')" :max="Holding::CALL_LETTERS" :needed="false"
    :usual="$holding?->call_number" autocomplete="off" /><x-desk.field name="copies"
    :label="__('holdings_desk.copies')" max="3" :usual="(string) ($holding->copies ?? 1)" inputmode="numeric"
    autocomplete="off" /></div>
<x-desk.field name="numbers" :label="__('holdings_desk.numbers')" :hint="__('holdings_desk.numbers_hint')" max="2000"
    :needed="false" :usual="implode(' ', $holding->numbers ?? [])" autocomplete="off" />
