{{-- Libraries to choose from. --}}
@if ($found->isEmpty())<p class="panel p-5">{{ __('sign_in.no_library', ['words' => $words]) }}</p>@endif
<ul class="grid sm:grid-cols-2 gap-4">
    @foreach ($found as $library)
        <li>
            <form method="post" action="{{ route('libraries.choose', $library, false) }}">
                @csrf
                <input type="hidden" name="then" value="{{ $then }}">
                <button class="panel w-full text-left p-5 cursor-pointer hover:bg-haint">
                    <span class="font-serif font-semibold text-xl block">{{ $library->name }}</span>
                    <span class="meta">{{ $library->place }}</span>
                </button>
            </form>
        </li>
    @endforeach
</ul>
