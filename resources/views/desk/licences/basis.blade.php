{{-- What the waits on a page rest on: $cases, loans and holds by format; $target, days. --}}
@use('App\Lending\Waits\MeasureHabits')
@use('App\Shared\View\Numbers')
<details class="text-[15px] mt-4 mb-6"><summary class="link cursor-pointer">{{ __('desk.basis') }}</summary>
    <div class="mt-2 max-w-[85ch] grid gap-2"><p>{{ __('desk.basis_text', ['months' => intdiv(MeasureHabits::DAYS, 30),
        'last' => MeasureHabits::LOANS, 'lately' => MeasureHabits::LATELY, 'days' => $target]) }}</p>
        <ul class="grid gap-0.5">@foreach ($cases as $format => $of)<li>{{ __('desk.basis_cases', ['format' =>
            __("catalogue.formats.{$format}"), 'loans' => Numbers::of($of['loans']), 'holds' =>
            Numbers::of($of['holds'])]) }}</li>@endforeach</ul>
        <p>{{ __('desk.basis_few') }}</p></div></details>
