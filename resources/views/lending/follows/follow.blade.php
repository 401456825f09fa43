@php($how = $follow === null ? null : ($follow->borrows ? 'borrow' : 'tell'))
<form method="post" action="/titles/{{ $title->id }}/follow" class="flex flex-wrap items-center gap-2 mb-3 text-[15px]">
    @csrf
    <span>{{ __($how === null ? 'lending.follow' : "lending.following.{$how}", ['name' => $title->series->name])
        }}</span>
    @foreach (__('lending.follow_how') as $way => $words)@if ($way !== $how &&
        ($way !== 'stop' || $how !== null))<button name="how" value="{{ $way }}"
        @class(['btn', $way === 'stop' ? 'btn-plain' : 'btn-quiet'])>{{ $words }}</button>@endif @endforeach
</form>
