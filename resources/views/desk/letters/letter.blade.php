<x-desk.layout :title="__('desk.letters')" on="letters" :staff="$staff">
    @php($letter->setRelation('library', $staff->library))
    <p class="mb-1 text-[15px]"><a class="link" href="{{ route('desk.letters', [], false) }}">{{ __('desk.letters')
        }}</a></p>
    <h1 class="text-3xl mb-1">{{ $letter->name ?: __('letters.nameless') }}</h1>
    <p class="meta mb-4">{{ implode(' · ', array_filter([$letter->about === '' ? null : __('letters.about').':
        '.$letter->about, $letter->email === null ? null : __('letters.by_mail', ['email' => $letter->email])]))
        }}</p>
    <x-account.letter-parts :letter="$letter" :staff="$staff" />
    <form method="post" action="{{ route('desk.letter.answer', $letter, false) }}" class="max-w-3xl grid gap-3">@csrf
        <input type="hidden" name="seen" value="{{ $letter->parts->last()?->id }}">
        <x-account.letter-text :label="__('letters.staff_answer')" />
        <div><button class="btn">{{ __('letters.answer') }}</button></div></form>
    @if ($letter->waits)<form method="post" action="{{ route('desk.letter.lay', $letter, false) }}"
        class="mt-4">@csrf<button class="btn btn-plain">{{ __('letters.lay') }}</button></form>@endif
</x-desk.layout>
