@if ($alike->isEmpty())<p class="text-soft">{{ __('catalogue.none_alike') }}</p>
@else<ul class="grid grid-cols-3 lg:grid-cols-6 gap-5">@foreach ($alike as $one)<li><a href="{{
    $current->link("/titles/{$one->id}") }}"
    class="no-underline block group">{{ App\Shared\View\Covers\Cover::html($one, 150, decorative: true, class:
        'w-full h-auto')
    }}<span class="font-semibold block mt-2 leading-tight group-hover:underline">{{
        App\Shared\View\TitleText::name($one) }}</span><span
    class="meta block">{{ App\Shared\View\TitleText::people($one) ?: __("catalogue.format.{$one->format->value}")
    }}</span></a></li>@endforeach</ul>@endif
