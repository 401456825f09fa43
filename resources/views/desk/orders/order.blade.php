@use('App\Desk\Figures\DeskText')
@use('App\Desk\Orders\OrderRequest')
@use('App\Desk\Orders\OrderText')
@use('App\Shared\View\TitleText')
@php($currency = $staff->library->currency)
<x-desk.layout :title="__('orders.order_heading')" on="orders" :staff="$staff">
    <p class="mb-1 text-[15px]"><a class="link" href="{{ route('desk.title', $title, false) }}"><bdi>{{ $title->name
        }}</bdi></a> <span class="text-soft">{{ implode(' · ', array_filter([TitleText::people($title),
        TitleText::format($title)])) }}</span></p>
    <h1 class="text-3xl mb-1">{{ __('orders.order_heading') }}</h1>
    <p class="mb-4 max-w-[80ch]">{{ __('orders.order_text') }}</p>
    @if ($open->isNotEmpty())<div class="message bg-lamp-wash border-lamp-line mb-4"><p class="font-semibold">{{
        __('orders.already') }}</p><ul>@foreach ($open as $order)<li>{{ $order->quantity }} × {{
        OrderText::terms($order) }} · {{ DeskText::price($order->cents(), $order->currency) }} · {{
        __("orders.states.{$order->state->value}") }}</li>@endforeach</ul></div>@endif
    @if ($funds === [])
        <p class="panel p-5">{{ __('orders.no_funds') }} <a class="link" href="{{ route('desk.orders', absolute: false)
            }}">{{ __('orders.heading') }}</a></p>
    @else
        <form method="post" action="{{ route('desk.order.note', $title, false) }}" class="panel p-5 grid gap-5
            max-w-[860px]">@csrf
            <input type="hidden" name="form" value="{{ old('form', Str::uuid()) }}">
            @if (session('lacks'))<div class="message bg-card border-clay"><p class="text-clay font-semibold">{{
                __('orders.lacks', ['sum' => DeskText::price((int) session('lacks'), $currency)]) }}</p><label
                class="flex items-center gap-2 mt-2"><input type="checkbox" name="beyond" value="1"
                class="accent-shutter w-4 h-4">{{ __('orders.beyond') }}</label></div>@endif
            <div class="grid sm:grid-cols-2 gap-4 items-end">
                <label class="grid gap-1 content-start"><span class="font-semibold">{{ __('desk.model')
                    }}</span><select name="model"
                    class="field">@foreach (OrderRequest::MODELS as $model)<option value="{{ $model->value }}"
                    @selected(old('model', $filled->model->value) === $model->value)>{{
                    __("desk.models.{$model->value}") }}</option>@endforeach</select></label>
                <x-desk.field name="quantity" type="number" :usual="$filled->quantity" :label="__('orders.quantity')"
                    :hint="__('orders.quantity_hint')" />
            </div>
            <fieldset><legend class="font-semibold mb-2">{{ __('orders.each') }}</legend><div class="grid
                sm:grid-cols-4 gap-4 items-end">
                <x-desk.field name="copies" type="number" :usual="$filled->copies" :label="__('orders.copies_each')"
                    :needed="false" />
                <x-desk.field name="loans" type="number" :usual="$filled->loans" :label="__('orders.loans_each')"
                    :hint="__('orders.loans_hint')" :needed="false" />
                <x-desk.field name="months" type="number" :usual="$filled->months" :label="__('orders.months_each')"
                    :hint="__('orders.months_hint')" :needed="false" />
                <x-desk.field name="price" :usual="$filled->priceCents === null ? '' :
                    DeskText::money($filled->priceCents)" :label="__('orders.price_each', ['currency' =>
                    $currency])" /></div></fieldset>
            <div class="grid sm:grid-cols-2 gap-4 items-end">
                <label class="grid gap-1 content-start"><span class="font-semibold">{{ __('orders.pays')
                    }}</span><select name="fund"
                    class="field" required>@foreach ($funds as ['fund' => $fund, 'balance' => $balance])<option
                    value="{{ $fund->id }}" @selected((int) old('fund') === $fund->id)>{{ __('orders.fund_option',
                    ['fund' => $fund->name, 'left' => DeskText::price($balance->left(), $currency)])
                    }}</option>@endforeach</select></label>
                <x-desk.field name="note" max="200" :label="__('orders.note')" :needed="false" />
            </div>
            <label class="flex items-center gap-2"><input type="checkbox" name="shared" value="1"
                @checked(old('form') === null ? $staff->library->shares : old('shared')) class="accent-shutter w-4
                    h-4">{{ __('desk.shared') }}</label>
            @include('desk.titles.rights', ['fresh' => old('form') === null])
            <div class="flex gap-3"><button class="btn">{{ __('orders.put_down') }}</button><a class="btn btn-quiet"
                href="{{ route('desk.title', $title, false) }}">{{ __('desk.leave_it') }}</a></div>
        </form>
    @endif
</x-desk.layout>
