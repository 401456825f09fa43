<?php

declare(strict_types=1);

namespace App\Http\Controllers\Lending;

use App\Actions\Lending\AskForTitle;
use App\Http\Current;
use App\Http\TitlePanel;
use App\Models\Title;
use App\Models\TitleRequest;
use App\Queries\Lending\Requests;
use App\View\RefusalText;
use FigPorch\Core\Lending\Refused;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\View\View;

/** What a patron asks a library to get. */
final class RequestController
{
    public function __construct(private readonly Current $current)
    {
    }

    public function index(Requests $requests): View
    {
        return view('lending.requests', ['requests' => $requests->of($this->current->person ?? abort(401))]);
    }

    /** The form with the two wishes. */
    public function show(Title $title, Requests $requests, TitlePanel $panel): View|RedirectResponse
    {
        $card = $this->current->card();
        if ($card === null) {
            return $panel->needsCard($title);
        }
        $refused = Requests::refusal($card, $title, now()->toImmutable());

        return $refused !== null ? $this->refuse($title, $refused) : view('lending.ask', [
            'title' => $title->load(['contributors', 'series']), 'library' => $this->current->requiredLibrary(), 'asked' => $requests->open($card, $title->id),
        ]);
    }

    public function ask(Request $request, Title $title, AskForTitle $ask, TitlePanel $panel): RedirectResponse
    {
        $card = $this->current->card();
        if ($card === null) {
            return $panel->needsCard($title);
        }
        $library = $this->current->requiredLibrary();
        $refused = $ask($card, $title, $request->boolean('notice'), $request->boolean('hold'), now()->toImmutable());

        return $refused !== null
            ? $this->refuse($title, $refused)
            : redirect()->route('requests.index')->with('said', __('lending.asked', ['name' => $title->name, 'library' => $library->name]));
    }

    public function withdraw(TitleRequest $asked): RedirectResponse
    {
        $this->current->person?->cards->contains('id', $asked->card_id) || abort(404);
        TitleRequest::query()->whereKey($asked->id)->where('state', 'open')->update(['state' => 'withdrawn', 'answered_at' => now()]);

        return redirect()->route('requests.index')->with('said', __('lending.request_withdrawn', ['name' => Title::query()->whereKey($asked->title_id)->value('name')]));
    }

    private function refuse(Title $title, Refused $refused): RedirectResponse
    {
        return redirect()->route('titles.show', $title)->with('refusal', RefusalText::of($refused, $this->current->requiredLibrary()));
    }
}
