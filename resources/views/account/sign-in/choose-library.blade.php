<x-layout :title="__('account.choose_library')">
    <div class="max-w-2xl mx-auto mt-8">
        @php $any = $current->libraries()->isNotEmpty(); @endphp
        <h1 class="text-4xl mb-2">{{ __($any ? 'account.choose_library' : 'account.no_library_yet') }}</h1>
        <p class="text-soft mb-6">{{ __($any ? 'account.choose_library_text' : 'account.no_library_yet_text') }}</p>
        <ul class="grid sm:grid-cols-2 gap-4">
            @foreach ($current->libraries() as $library)
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
    </div>
</x-layout>
