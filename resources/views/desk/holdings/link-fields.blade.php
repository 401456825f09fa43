{{-- The fields of a website. --}}
@use('FigPorch\Core\Catalogue\OpenTo')
@use('FigPorch\Core\Catalogue\WebLink')
<x-desk.field name="address" :label="__('holdings_desk.address')" :hint="__('holdings_desk.address_hint')" max="1000"
    :usual="$link?->address" autocomplete="off" inputmode="url" />
<x-desk.field name="about" :label="__('holdings_desk.about')" :hint="__('holdings_desk.about_hint')"
    :max="WebLink::ABOUT_LETTERS" :needed="false" :usual="$link?->about" autocomplete="off" />
<x-desk.options name="open_to" :label="__('holdings_desk.open_to')" :chosen="$link?->open_to->value"
    :options="array_combine(array_column(OpenTo::cases(), 'value'), array_map(fn (OpenTo $of): string =>
    __('holdings_desk.for.'.$of->value), OpenTo::cases()))" />
