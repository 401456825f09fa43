{{-- What the library tells who is here; each can be put away. --}}
@props(['room' => null])
@foreach ($messages as $message)
    @php($text = $message->in(app()->getLocale()))
    <section aria-labelledby="message-{{ $message->id }}" lang="{{ $message->language(app()->getLocale()) }}"
        @class(['message mb-4 flex max-sm:flex-col gap-x-4 gap-y-1 items-start', 'bg-lamp-wash border-lamp-line' =>
            $message->is_important,
            'bg-board border-rule' => ! $message->is_important])>
        <div class="grow min-w-0"><h2 id="message-{{ $message->id }}" class="text-lg mb-1">{{ $text['title'] }}</h2>
            <div class="prose-small">{{ App\Account\Messages\MessageText::html($text['text']) }}</div></div>
        <form method="post" action="{{ route('messages.put_away', $message, false) }}"
            lang="{{ app()->getLocale() }}">@csrf<button class="btn btn-plain">{{ __('account.put_away') }}<span
            class="sr-only">: {{ $text['title'] }}</span></button></form>
    </section>
@endforeach
