<?php

declare(strict_types=1);

namespace App\Catalogue\Baskets;

use App\Models\Basket;
use App\Models\Person;
use Illuminate\Auth\Access\Response;
use Illuminate\Http\Request;

/** A basket is of who made it, also before they sign in; by a shared address it is seen, never changed. */
final class BasketPolicy
{
    public function __construct(private readonly OwnBaskets $own, private readonly Request $request) {}

    public function own(?Person $person, Basket $basket): Response
    {
        return $this->own->owner($this->request)->owns($basket) ? Response::allow() : Response::denyAsNotFound();
    }
}
