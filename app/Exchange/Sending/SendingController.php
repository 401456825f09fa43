<?php

declare(strict_types=1);

namespace App\Exchange\Sending;

use App\Models\Basket;
use App\Models\Loan;
use App\Models\Sending;
use App\Models\Title;
use App\Reading\Pages\LoanPages;
use App\Reading\Pages\PagesAsPdf;
use App\Shared\Input;
use App\Shared\RequestContext;
use Carbon\CarbonImmutable;
use DateTimeZone;
use FigPorch\Core\Catalogue\Citation\Style;
use FigPorch\Core\Exchange\Sending\Goods;
use FigPorch\Core\Exchange\Sending\Undelivered;
use FigPorch\Core\Exchange\Sending\Way;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\View\View;

/** Things sent to one's e-reader, by mail to oneself, to a folder of one's own; and how that went. */
final class SendingController
{
    private const SHOWN = 50;

    public function __construct(private readonly RequestContext $current, private readonly AskToSend $ask) {}

    public function index(): View
    {
        return view('exchange.sending.sendings', [
            'sendings' => Sending::query()
                ->where('person_id', $this->current->requiredPerson()->id)
                ->orderByDesc('id')
                ->limit(self::SHOWN)
                ->get(),
            'zone' => $this->current->library?->zone() ?? new DateTimeZone('UTC'),
        ]);
    }

    public function book(Request $request, Loan $loan): RedirectResponse
    {
        $loan->load(['title.publication', 'licence']);

        return $this->send($request, Goods::Book, [], $loan->title->name, $loan);
    }

    public function pages(
        Request $request,
        Loan $loan,
        int $from,
        int $to,
        LoanPages $pages,
        PagesAsPdf $asPdf,
    ): RedirectResponse {
        $loan->load(['title.publication', 'licence']);
        // What is sent has been counted before.
        if ($from < 1 || $to < $from || !$pages->allowance($loan)->has($from - 1, $to)) {
            return redirect()->route('pages.choose', $loan);
        }
        $publication = $loan->title->publication;
        if ($publication !== null && !$asPdf->canMake($loan, $publication, $from, $to)) {
            return back()->with('refusal', __('pages.other_script'));
        }

        return $this->send(
            $request,
            Goods::Pages,
            ['from' => $from, 'to' => $to],
            __('sending.pages_of', ['title' => $loan->title->name]),
            $loan,
        );
    }

    public function citation(Request $request, Title $title): RedirectResponse
    {
        return $this->send(
            $request,
            Goods::Citation,
            ['title' => $title->id],
            __('sending.citation_of', ['title' => $title->name]),
            null,
        );
    }

    public function bibliography(Request $request, Basket $basket): RedirectResponse
    {
        $style = Style::tryFrom(Input::text($request, 'style')) ?? Style::Apa;

        return $this->send(
            $request,
            Goods::Bibliography,
            ['basket' => $basket->id, 'style' => $style->value],
            __('sending.bibliography_of', ['basket' => $basket->name]),
            null,
        );
    }

    /** @param  array<string, int|string>  $facts */
    private function send(Request $request, Goods $goods, array $facts, string $name, ?Loan $loan): RedirectResponse
    {
        $way = Way::tryFrom(Input::text($request, 'way')) ?? abort(422);
        $person = $this->current->requiredPerson();
        $sent = ($this->ask)($person, new Wish($goods, $way, $facts, $name, $loan), CarbonImmutable::now());

        return match (true) {
            is_string($sent) => redirect()
                ->route('sendings.index')
                ->with('said', __('sending.on_its_way', ['what' => $name, 'to' => $sent])),
            $sent === Undelivered::NoPlace => redirect()
                ->to(route('settings', absolute: false) . '#sending')
                ->with('refusal', __("sending.no_place.{$way->value}")),
            default => back()->with('refusal', __("sending.why.{$sent->value}")),
        };
    }
}
