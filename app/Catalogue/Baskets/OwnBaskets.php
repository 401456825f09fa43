<?php

declare(strict_types=1);

namespace App\Catalogue\Baskets;

use App\Models\Basket;
use App\Shared\RequestContext;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Cookie;
use Illuminate\Support\Str;

/** The baskets of whoever asks: a person's, or those begun in a browser before signing in. */
final class OwnBaskets
{
    private const COOKIE = 'basket';

    private const MINUTES = 400 * 24 * 60;

    public function __construct(private readonly RequestContext $current, private readonly ArrangeBaskets $arrange) {}

    public function owner(Request $request): BasketOwner
    {
        return new BasketOwner(
            $this->current->person?->id,
            $this->current->person === null ? $this->browserKey($request) : null,
        );
    }

    /** The same, with a key for the browser if it has none yet. */
    public function ownerToBe(Request $request): BasketOwner
    {
        $owner = $this->owner($request);
        if ($owner->personId === null && $owner->browserKey === null) {
            $owner = new BasketOwner(null, Str::random(40));
            Cookie::queue(Cookie::make(self::COOKIE, (string) $owner->browserKey, self::MINUTES));
        }

        return $owner;
    }

    /** A basket of theirs; no other exists for them. */
    public function find(Request $request, int|string $id): Basket
    {
        $basket = ctype_digit((string) $id) && strlen((string) $id) < 19 ? Basket::query()->find((int) $id) : null;

        return $basket !== null && $this->owner($request)->owns($basket) ? $basket : abort(404);
    }

    /** What was begun before signing in goes with the person. */
    public function claim(Request $request, int $personId): void
    {
        $key = $this->browserKey($request);
        if ($key !== null) {
            $this->arrange->claim($key, $personId);
            Cookie::queue(Cookie::forget(self::COOKIE));
        }
    }

    private function browserKey(Request $request): ?string
    {
        $key = $request->cookie(self::COOKIE);

        return is_string($key) && preg_match('/^[A-Za-z0-9]{40}$/', $key) === 1 ? $key : null;
    }
}
