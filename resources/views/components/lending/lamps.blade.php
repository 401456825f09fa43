{{-- The lamp in its three states, drawn once. --}}
<svg class="hidden" aria-hidden="true">
    <symbol id="lamp-dark" viewBox="0 0 20 20"><circle cx="10" cy="2.6" r="1.7" fill="none" stroke="currentColor"
        stroke-width="1.3"/><path d="M5.6 6.6 7.4 4.4h5.2l1.8 2.2z" fill="currentColor"/><rect x="5.8" y="7.3"
        width="8.4" height="8.6" rx="1.6" fill="none" stroke="currentColor" stroke-width="1.4"/><path d="M10 7.6v8"
        stroke="currentColor" stroke-width=".9" opacity=".55"/><rect x="5" y="16.6" width="10" height="2.2" rx=".8"
        fill="currentColor"/></symbol>
    <symbol id="lamp-half" viewBox="0 0 20 20"><path d="M6.5 11.6h7v3.2a.6.6 0 0 1-.6.6H7.1a.6.6 0 0 1-.6-.6z"
        fill="var(--color-lamp)"/><use href="#lamp-dark"/></symbol>
    <symbol id="lamp-lit" viewBox="0 0 20 20"><rect x="5.8" y="7.3" width="8.4" height="8.6" rx="1.6"
        fill="var(--color-lamp)"/><use href="#lamp-dark"/><path
        d="M.8 11.5h1.9M17.3 11.5h1.9M2 6.6l1.5 1M18 6.6l-1.5 1M2 16.4l1.5-1M18 16.4l-1.5-1" stroke="#b67b0d"
        stroke-width="1.5" stroke-linecap="round"/></symbol>
</svg>
