<?php

declare(strict_types=1);

namespace App\Shared;

use App\Models\Person;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Cookie;

/** What is kept from one visit to the next: with the person, or before anyone has signed in with this browser. */
final class PreferenceStore
{
    private const MINUTES = 400 * 24 * 60;

    public function __construct(private readonly RequestContext $current) {}

    /**
     * @param  'pins'|'rooms'|'results'  $name
     * @return array<mixed>
     */
    public function get(Request $request, string $name): array
    {
        $kept =
            $this->current->person?->getAttribute($name) ??
            json_decode(is_string($cookie = $request->cookie($name)) ? $cookie : '', true);

        return is_array($kept) ? $kept : [];
    }

    /**
     * @param  'pins'|'rooms'|'results'  $name
     * @param  array<string, mixed>  $value
     */
    public function put(string $name, array $value): void
    {
        if ($this->current->person instanceof Person) {
            $this->current->person->update([$name => $value]);
        } else {
            Cookie::queue(Cookie::make($name, (string) json_encode($value), self::MINUTES));
        }
    }
}
