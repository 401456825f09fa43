@props(['head', 'on' => null])
@php($loan = in_array($on, ['porch', 'loans'], true) ? null : $head)
@if ($loan?->loan_id !== null)
    @php($format = FigPorch\Core\Catalogue\Format::from($loan->loan_format))
    {{-- Under it nothing of the page stays hidden. --}}
    <div class="sm:hidden h-16" aria-hidden="true"></div>
    <aside aria-label="{{ __('account.pick_up') }}" class="sm:hidden fixed inset-x-0 bottom-0 bg-board border-t
        border-rule px-4 py-2 flex items-center gap-3 z-10">
        <span class="flex-1 min-w-0 truncate font-semibold">{{ $loan->loan_name }}</span>
        <a class="btn" href="{{ App\Lending\Loans\Opening::address($loan->loan_id, $format) }}">{{
            App\Lending\Loans\Opening::verb($format) }}</a>
    </aside>
@endif
