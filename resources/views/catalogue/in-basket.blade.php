<a class="link text-[15px] inline-block py-1" href="/baskets/{{ $basket->id }}" role="status">{{ __('baskets.in', ['name' => $basket->name]) }}</a>
