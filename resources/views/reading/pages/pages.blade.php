@php
    $pdf = $loan->licence->rights()->chaptersAsPdf;
    $buttons = fn (): string => '<button class="btn">'.e(__('pages.show')).'</button>'.($pdf ?
        '<button class="btn btn-quiet" name="pdf" value="1">'.e(__('pages.as_pdf')).'</button>' : '');
@endphp
@php($heading = __($pdf ? 'pages.heading_mail' : 'pages.heading'))
<x-layout :title="$heading" on="loans">
    <h1 class="text-3xl">{{ $heading }}</h1>
    <p class="mb-5"><a class="link" href="{{ route('read.show', $loan, false) }}">{{ __('pages.of', ['name' =>
        $loan->title->name]) }}</a></p>
    <p class="panel px-4 py-3 mb-5 max-w-[70ch]">{{ App\Reading\Pages\PagesText::allowed($left) }}</p>
    @if ($left === null || $left > 0)
        <form method="post" action="{{ route('pages.take', $loan, false) }}"
            class="flex flex-wrap gap-x-4 gap-y-3 items-end">
            @csrf
            <label class="grid gap-1"><span>{{ __('pages.from') }}</span><input name="from" required maxlength="20"
                class="field w-28" value="{{ old('from', $page ?: $pages->label(1)) }}"
                aria-describedby="pages-answer"></label>
            <label class="grid gap-1"><span>{{ __('pages.to') }}</span><input name="to" required maxlength="20"
                class="field w-28" value="{{ old('to', $page ?: $pages->label(1)) }}"
                aria-describedby="pages-answer"></label>
            {!! $buttons() !!}
        </form>
        <p id="pages-answer" role="alert" class="text-clay mt-2">{{ $errors->first() }}</p>
        <p class="meta mt-1">{{ __('pages.range', ['first' => $pages->label(1), 'last' =>
            $pages->label($pages->count())]) }} @if ($pdf){{ __('pages.mail_after') }}@endif</p>
        @if ($chapters !== [])
            <h2 class="text-xl mt-8 mb-2">{{ __('pages.or_chapter') }}</h2>
            <ul class="max-w-[70ch]">
                @foreach ($chapters as $chapter)
                    <li class="border-t border-rule py-2"><form method="post"
                        action="{{ route('pages.take', $loan, false) }}"
                        class="flex flex-wrap items-center gap-x-4 gap-y-2">
                        @csrf
                        <input type="hidden" name="from" value="{{ $pages->label($chapter['from']) }}"><input
                            type="hidden" name="to" value="{{ $pages->label($chapter['to']) }}">
                        <span class="flex-1 min-w-40">{{ $chapter['name'] }} <span
                            class="meta">{{ trans_choice('pages.chapter_pages', $chapter['to'] - $chapter['from'] + 1)
                            }}</span></span>
                        <span class="flex flex-wrap gap-x-3"><button class="btn btn-quiet">{{ __('pages.show') }}<span
                            class="sr-only">: {{ $chapter['name'] }}</span></button>@if ($pdf)<button
                            class="btn btn-plain" name="pdf" value="1">{{ __('pages.as_pdf') }}<span class="sr-only">:
                            {{ $chapter['name'] }}</span></button>@endif</span>
                    </form></li>
                @endforeach
            </ul>
        @endif
    @endif
</x-layout>
