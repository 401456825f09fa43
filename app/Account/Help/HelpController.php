<?php

declare(strict_types=1);

namespace App\Account\Help;

use App\Shared\Input;
use App\Shared\RequestContext;
use FigPorch\Core\Account\HelpSubject;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\App;
use Illuminate\View\View;

/** Help: a page a subject, beside the work or by itself; and the tour, once. */
final class HelpController
{
    public function __construct(private readonly HelpPages $pages) {}

    public function index(Request $request): View
    {
        $words = mb_substr(Input::text($request, 'find'), 0, 100);

        return view('account.help.index', ['words' => $words, 'found' => $this->pages->find($words, App::getLocale())]);
    }

    public function show(Request $request, HelpSubject $subject): View
    {
        $isBeside = $request->hasHeader('HX-Request');

        return view($isBeside ? 'account.help.beside' : 'account.help.page', [
            'subject' => $subject,
            ...$this->pages->page($subject->value, App::getLocale(), level: $isBeside ? 3 : 2),
        ]);
    }

    public function tour(): View
    {
        return view('account.help.tour-page');
    }

    public function tourDone(RequestContext $current, EndTour $end): RedirectResponse
    {
        $end($current->requiredPerson());

        return redirect()->route('porch');
    }
}
