<?php

declare(strict_types=1);

namespace App\Catalogue\Baskets;

use App\Lending\Classes\ArrangeClasses;
use App\Lending\Classes\AskedSet;
use App\Lending\Classes\ClassSets;
use App\Models\Basket;
use App\Shared\RequestContext;
use App\Shared\TitleNames;
use FigPorch\Core\Lending\ClassSetCapacity;
use Illuminate\Http\Request;
use Illuminate\View\View;

/** All titles of a basket for a class, with what each would need. */
final class BasketForClassController
{
    public function __invoke(Request $request, Basket $basket, RequestContext $current, ClassSets $sets): View
    {
        $classes = $sets->taughtBy($current->requiredPerson());
        $asked = AskedSet::of($request, $classes);
        $titles = $basket->titles()->limit(ArrangeClasses::MOST_SETS)->get();
        TitleNames::giveTo($titles);
        $capacities = $asked->isWhole() ? $sets->capacities($asked->class, $titles, $asked->first, $asked->last) : [];
        $cents = 0;
        $unpriced = 0;
        foreach ($titles as $title) {
            $copies = $capacities[$title->id]->copiesInTurn ?? 0;
            if ($copies > 0 && $asked->class !== null) {
                $price = $sets->priceOfACopy($asked->class->library, $title);
                $cents += $copies * ($price ?? 0);
                $unpriced += $price === null ? 1 : 0;
            }
        }

        return view('catalogue.baskets.for-class', [
            'basket' => $basket,
            'titles' => $titles,
            'classes' => $classes,
            'asked' => $asked,
            'capacities' => $capacities,
            'short' => count(array_filter($capacities, fn(ClassSetCapacity $of): bool => !$of->holdsInTurn())),
            'cents' => $cents,
            'unpriced' => $unpriced,
        ]);
    }
}
