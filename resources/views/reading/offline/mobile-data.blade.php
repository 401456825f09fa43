{{-- What is asked first before it comes over mobile data, on every device. --}}
@php($ask = $current->person->ask_on_mobile ?? [])
<form method="post" action="{{ route('settings.mobile', [], false) }}" aria-labelledby="mobile" class="mt-6"
    data-autosave>
    @csrf
    <h3 id="mobile" class="text-xl mb-1">{{ __('offline.mobile') }}</h3>
    <p class="meta mb-2">{{ __('offline.mobile_text') }}</p>
    <div class="panel px-4 py-2">
        @foreach (App\Reading\Offline\KeepMobileData::KINDS as $kind)<label class="flex items-center gap-3
            py-1.5"><input type="checkbox" name="{{ $kind }}" value="1" class="accent-shutter w-5 h-5"
            @checked(in_array($kind, $ask, true))>{{ __("offline.mobile_kinds.{$kind}") }}</label>@endforeach
    </div>
    <button class="btn btn-quiet mt-3">{{ __('reading.keep_defaults') }}</button>
</form>
