<?php

declare(strict_types=1);

namespace App\Account\Letters;

use App\Models\Letter;
use App\Shared\Input;
use App\Shared\RequestContext;
use Carbon\CarbonImmutable;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\App;
use Illuminate\View\View;

/** Writing to the library, and what it answered. */
final class LettersController
{
    public function __construct(private readonly RequestContext $current, private readonly WriteLetter $write) {}

    public function index(Letters $letters): View
    {
        return view('account.letters.letters', ['letters' => $letters->of($this->current->requiredPerson())]);
    }

    public function create(Request $request): View
    {
        return view('account.letters.new-letter', [
            'about' => mb_substr(Input::text($request, 'about'), 0, LetterRequest::ABOUT),
        ]);
    }

    public function store(LetterRequest $request): RedirectResponse
    {
        $person = $this->current->person;
        $letter = $this->write->begin(
            $this->current->requiredLibrary(),
            $person,
            App::getLocale(),
            $request->facts($person),
            CarbonImmutable::now(),
        );

        return $person !== null
            ? redirect()->route('letters.show', $letter)->with('said', __('letters.sent'))
            : redirect()
                ->route('letters.create')
                ->with('said', __('letters.sent_by_mail', ['email' => (string) $letter->email]));
    }

    public function show(Letter $letter): View
    {
        return view('account.letters.letter', ['letter' => $letter->load(['library', 'parts'])]);
    }

    public function goOn(Request $request, Letter $letter): RedirectResponse
    {
        $this->write->goOn($letter, LetterText::of($request), CarbonImmutable::now());

        return redirect()->route('letters.show', $letter)->with('said', __('letters.sent'));
    }
}
