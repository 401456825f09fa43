<x-desk.layout :title="__('batches.what.'.$batch->what->value)" on="titles" :staff="$staff">
    <p class="mb-1 text-[15px]"><a class="link" href="/desk/titles">{{ __('desk.titles') }}</a> › <a class="link"
        href="{{ route('desk.batches') }}">{{ __('batches.title') }}</a></p>
    <h1 class="text-3xl mb-1">{{ __("batches.what.{$batch->what->value}") }}</h1>
    <p class="mb-4"><bdi>{{ $batch->chosen }}</bdi> · {{ App\Desk\Batches\BatchText::facts($batch) }}</p>
    <div id="batch">@include('desk.batches.progress')</div>
</x-desk.layout>
