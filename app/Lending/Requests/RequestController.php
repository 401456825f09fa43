<?php

declare(strict_types=1);

namespace App\Lending\Requests;

use App\Lending\Borrowing\RefusalText;
use App\Lending\Borrowing\TitlePanel;
use App\Models\Title;
use App\Models\TitleRequest;
use App\Shared\Input;
use App\Shared\RequestContext;
use Carbon\CarbonImmutable;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Catalogue\WantedTitle;
use FigPorch\Core\Lending\Refused;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\View\View;
use InvalidArgumentException;

/** What a patron asks a library to get. */
final class RequestController
{
    public function __construct(private readonly RequestContext $current) {}

    public function index(PatronRequests $requests): View
    {
        return view('lending.requests.requests', ['requests' => $requests->of($this->current->requiredPerson())]);
    }

    /** The form with the two wishes. */
    public function show(Title $title, PatronRequests $requests, TitlePanel $panel): View|RedirectResponse
    {
        $card = $this->current->card();
        if ($card === null) {
            return $panel->needsCard($title);
        }
        $refused = PatronRequests::refusal($card, $title, CarbonImmutable::now());

        return $refused !== null
            ? $this->refuse($title, $refused)
            : view('lending.requests.ask', [
                'title' => $title->load(['contributors', 'series']),
                'library' => $this->current->requiredLibrary(),
                'asked' => $requests->open($card, $title->id),
            ]);
    }

    public function ask(Request $request, Title $title, AskForTitle $ask, TitlePanel $panel): RedirectResponse
    {
        $card = $this->current->card();
        if ($card === null) {
            return $panel->needsCard($title);
        }
        $library = $this->current->requiredLibrary();
        $refused = $ask($card, $title, $request->boolean('notice'), $request->boolean('hold'), CarbonImmutable::now());

        return $refused !== null
            ? $this->refuse($title, $refused)
            : redirect()
                ->route('requests.index')
                ->with('said', __('requests.asked', ['name' => $title->name, 'library' => $library->name]));
    }

    /** The form for a title that no catalogue here knows. */
    public function words(Request $request): View
    {
        return view('lending.requests.ask-words', [
            'library' => $this->current->requiredLibrary(),
            'name' => mb_substr(Input::text($request, 'name'), 0, WantedTitle::LONGEST),
            'known' => null,
        ]);
    }

    /** Titles that it may be are shown before it is written down. */
    public function askInWords(Request $request, AskInWords $ask): View|RedirectResponse
    {
        $library = $this->current->requiredLibrary();
        $card = $this->current->card();
        if ($card === null) {
            return redirect()
                ->route('requests.words')
                ->withInput()
                ->with('refusal', __('requests.needs_card', ['library' => $library->name]));
        }
        try {
            $wanted = new WantedTitle(
                Input::text($request, 'name'),
                Input::text($request, 'people'),
                self::format(Input::text($request, 'format')),
                Input::text($request, 'number'),
            );
        } catch (InvalidArgumentException $wrong) {
            $field = $wrong->getMessage() === 'number' ? 'number' : 'name';
            $why = __($field === 'number' ? 'lending.ask_words_number' : 'lending.ask_words_name');

            return redirect()
                ->route('requests.words')
                ->withInput()
                ->withErrors([$field => $why])
                ->with('refusal', $why);
        }
        $known = $request->boolean('none_of_them') ? new Collection() : KnownTitles::like($wanted);
        if ($known->isNotEmpty()) {
            $request->flash();

            return view('lending.requests.ask-words', [
                'library' => $library,
                'name' => $wanted->name,
                'known' => $known,
            ]);
        }
        $refused = $ask($card, $wanted, $request->boolean('notice'), $request->boolean('hold'), CarbonImmutable::now());

        return $refused !== null
            ? redirect()->route('requests.words')->withInput()->with('refusal', RefusalText::of($refused, $library))
            : redirect()
                ->route('requests.index')
                ->with('said', __('requests.asked', ['name' => $wanted->name, 'library' => $library->name]));
    }

    public function withdraw(TitleRequest $asked, WithdrawRequest $withdraw): RedirectResponse
    {
        $withdraw($asked, CarbonImmutable::now());

        return redirect()
            ->route('requests.index')
            ->with('said', __('requests.request_withdrawn', ['name' => $asked->title->name ?? $asked->name]));
    }

    private static function format(string $asked): ?Format
    {
        $format = Format::tryFrom($asked);

        return $format?->isLent() === true ? $format : null;
    }

    private function refuse(Title $title, Refused $refused): RedirectResponse
    {
        return redirect()
            ->route('titles.show', $title)
            ->with('refusal', RefusalText::of($refused, $this->current->requiredLibrary()));
    }
}
