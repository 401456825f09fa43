<span role="status"><a class="link text-[15px] inline-block py-1"
    href="/baskets/{{ $basket->id }}">{{ __('baskets.in', ['name' => $basket->name]) }}</a></span>
