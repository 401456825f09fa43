@props(['state'])
{{-- lit: ready now; half: a wait; dark: not here. The drawings stand once in the page's layout. --}}
<svg width="22" height="22" aria-hidden="true" class="flex-none" data-lamp="{{ $state }}"><use href="#lamp-{{ $state }}"/></svg>
