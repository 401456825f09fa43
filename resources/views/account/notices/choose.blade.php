{{-- Of what a person wants to be told: by groups, with the single kinds folded inside. --}}
@use('FigPorch\Core\Lending\NoticeGroup')
@php
    $ways = ['shown' => 'account.shown_here', 'mailed' => 'account.by_mail'] +
        ($devices->isEmpty() ? [] : ['pushed' => 'account.on_devices']);
    $box = 'accent-shutter w-4.5 h-4.5 align-middle';
@endphp
<form method="post" action="/settings/notices" aria-labelledby="notices" data-autosave>
    @csrf
    @if ($devices->isNotEmpty())<input type="hidden" name="with_devices" value="1">@endif
    <p class="meta mb-2">{{ __('preferences.notices_text') }}</p>
    <div class="panel divide-y divide-rule">
        @foreach (NoticeGroup::cases() as $group)
            <fieldset class="px-4 py-2.5"><legend class="sr-only">{{ __("preferences.notice_groups.{$group->value}")
                }}</legend>
                <div class="flex flex-wrap items-center justify-between gap-x-5 gap-y-1"><span class="font-semibold"
                    aria-hidden="true">{{ __("preferences.notice_groups.{$group->value}") }}</span>
                    <span class="flex gap-4">@foreach ($ways as $way => $words)
                        @php
                            $on = count(array_filter($group->kinds(), fn ($kind) => $notices[$kind->value][$way]));
                            $was = $on === 0 ? '0' : ($on === count($group->kinds()) ? '1' : 'some');
                        @endphp
                        <input type="hidden" name="was[{{ $way }}][{{ $group->value }}]" value="{{ $was }}"><label
                            class="flex items-center gap-1.5"><input type="checkbox"
                            name="group[{{ $way }}][{{ $group->value }}]" value="1" @checked($on > 0)
                            data-group="{{ $way }}" @if ($was === 'some') data-some @endif
                            class="{{ $box }}">{{ __($words) }}</label>@endforeach</span></div>
                <details class="mt-1"><summary class="link cursor-pointer text-[15px]">{{ __('preferences.one_by_one')
                    }}</summary><table class="w-full text-[15px] mt-1">
                    <thead><tr class="text-left"><th scope="col" class="font-semibold py-1">{{
                        __('preferences.tell_me') }}</th>@foreach ($ways as $words)<th scope="col"
                        class="px-2 font-semibold text-center">{{ __($words) }}</th>@endforeach</tr></thead>
                    <tbody>@foreach ($group->kinds() as $kind)<tr class="border-t border-rule"><th scope="row"
                        class="py-2 text-left font-normal">{{ __("preferences.notice_kinds.{$kind->value}") }}</th>
                        @foreach ($ways as $way => $words)<td class="px-2 text-center"><input type="checkbox"
                            name="{{ $way }}[{{ $kind->value }}]" value="1" data-kind="{{ $way }}"
                            @checked($notices[$kind->value][$way]) aria-label="{{
                            __("preferences.notice_kinds.{$kind->value}") }}, {{ __($words) }}"
                            class="{{ $box }}"></td>@endforeach</tr>@endforeach</tbody>
                </table></details>
            </fieldset>
        @endforeach
    </div>
    <button class="btn btn-quiet mt-3">{{ __('preferences.keep_notices') }}</button>
</form>
