{{-- A form whose address names the library, as links do. --}}
@foreach ($current->inAddress() as $name => $value)<input type="hidden" name="{{ $name }}" value="{{ $value
    }}">@endforeach
