<?php

declare(strict_types=1);

namespace App\Lending\Holdings;

use App\Models\Link;
use App\Shared\RequestContext;
use Carbon\CarbonImmutable;
use FigPorch\Core\Catalogue\OpenTo;
use FigPorch\Core\Lending\CardValidity;
use Illuminate\Http\RedirectResponse;

/** The way to a website that is for those who have a card. */
final class WebsiteController
{
    public function __invoke(Link $link, RequestContext $current): RedirectResponse
    {
        $card = $current->requiredPerson()->cardAt($link->library);
        $validity =
            $card === null
                ? null
                : CardValidity::of($card->blocked_at !== null, $card->expires_at, CarbonImmutable::now());
        $isGood = in_array($validity, [CardValidity::Good, CardValidity::EndsSoon], true);

        return $isGood || $link->open_to !== OpenTo::CardHolders
            ? redirect()->away($link->address)
            : redirect()
                ->route('titles.show', $link->title_id)
                ->with('refusal', __('holdings.needs_card', ['library' => $link->library->name]));
    }
}
