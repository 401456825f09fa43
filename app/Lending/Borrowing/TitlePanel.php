<?php

declare(strict_types=1);

namespace App\Lending\Borrowing;

use App\Lending\Availability\OwnItems;
use App\Lending\Availability\TitleAvailability;
use App\Models\Library;
use App\Models\Title;
use App\Shared\RequestContext;
use Carbon\CarbonImmutable;
use FigPorch\Core\Lending\Refused;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\View\View;

/** The answer to an act on a title: its availability and action anew, in place for htmx, else on the title's page. */
final class TitlePanel
{
    public function __construct(
        private readonly RequestContext $current,
        private readonly TitleAvailability $availability,
        private readonly OwnItems $ownItems,
    ) {}

    public function answer(
        Request $request,
        Title $title,
        ?string $said = null,
        ?string $message = null,
        ?Refused $refused = null,
    ): View|RedirectResponse {
        if (!$request->hasHeader('HX-Request')) {
            return redirect()
                ->route('titles.show', $title)
                ->with(array_filter(['said' => $said, 'refusal' => $message]));
        }
        $now = CarbonImmutable::now();
        $this->current->person?->load('cards');

        return view('lending.borrowing.action-answer', [
            'title' => $title,
            'way' => $this->way($request),
            'standing' => $this->availability->of(
                $this->current->requiredLibrary(),
                [$title],
                $this->current->card(),
                $now,
            )[$title->id],
            'own' => $this->ownItems->of($this->current->person, [$title], $now, beyond: true),
            'said' => $said,
            'message' => $message,
            'refused' => $refused,
        ]);
    }

    /** The library that an act is at, where the page has acts of several cards. */
    public function way(Request $request): ?Library
    {
        return $request->query('library') === null ? null : $this->current->library;
    }

    /** Signed in, but with no card at the library being looked at. */
    public function needsCard(Title $title): RedirectResponse
    {
        return redirect()->route('titles.show', $title)->with(
            'refusal',
            __('borrowing.no_card_here', [
                'library' => $this->current->requiredLibrary()->name,
                'contact' => $this->current->requiredLibrary()->pin_contact,
            ]),
        );
    }
}
