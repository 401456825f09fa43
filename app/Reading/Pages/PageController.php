<?php

declare(strict_types=1);

namespace App\Reading\Pages;

use App\Models\Loan;
use App\Models\Publication;
use App\Reading\Prepared\GiveFile;
use App\Reading\Publications\Poppler;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use Illuminate\View\View;
use Symfony\Component\HttpFoundation\Response;

/** Pages of a loan to print and, where the licence allows it, to save as PDF. */
final class PageController
{
    /** At a time, however they are asked for: pages of a PDF are drawn one by one, and those of a text are set. */
    private const MOST_DRAWN = 60;

    private const MOST_SET = 100;

    public function __construct(
        private readonly LoanPages $loanPages,
        private readonly TakePages $takePages,
        private readonly PagesFacts $facts,
        private readonly Poppler $pdfTools,
        private readonly PagesAsPdf $asPdf,
    ) {}

    public function choose(Request $request, Loan $loan): View
    {
        $publication = $this->publication($loan);

        return view('reading.pages.pages', [
            'loan' => $loan,
            'pages' => $this->loanPages->pages($publication),
            'chapters' => $this->loanPages->chapters($publication),
            'left' => $this->loanPages->allowance($loan)->left(),
            'page' => mb_substr($request->string('page')->value(), 0, 20),
        ]);
    }

    public function take(PagesRequest $request, Loan $loan): RedirectResponse
    {
        $publication = $this->publication($loan);
        [$from, $to] = $request->span($this->loanPages->pages($publication));
        if ($to - $from >= self::most($publication)) {
            throw ValidationException::withMessages([
                'from' => trans_choice('pages.at_a_time', self::most($publication)),
            ]);
        }
        if ($request->has('pdf') && !$this->asPdf->canMake($loan, $publication, $from, $to)) {
            throw ValidationException::withMessages(['from' => __('pages.other_script')]);
        }
        if (($this->takePages)($loan, $from - 1, $to) === null) {
            $allowance = $this->loanPages->allowance($loan);

            return back()
                ->withInput()
                ->withErrors([
                    'from' => PagesText::tooMany($allowance->price($from - 1, $to), (float) $allowance->left()),
                ]);
        }

        return new RedirectResponse(
            route($request->has('pdf') ? 'pages.pdf' : 'pages.show', [$loan, $from, $to], false),
        );
    }

    public function show(Loan $loan, int $from, int $to): View|RedirectResponse
    {
        $publication = $this->publication($loan);
        if (!$this->taken($loan, $publication, $from, $to)) {
            return new RedirectResponse(route('pages.choose', $loan, false));
        }

        $html =
            $publication->media_type === Publication::PDF
                ? PrintedPages::pictures(
                    $from,
                    $to,
                    fn(int $page): string => route('pages.picture', [$loan, $page], false),
                )
                : PrintedPages::html(
                    $publication,
                    $this->loanPages->pages($publication),
                    $from,
                    $to,
                    fn(string $path): string => route('read.file', [$loan, $path], false),
                );

        return view('reading.pages.printed', [
            ...$this->facts->of($loan, $from, $to),
            'html' => $html,
            'asPdf' =>
                $loan->licence->rights()->chaptersAsPdf && $this->asPdf->canMake($loan, $publication, $from, $to),
        ]);
    }

    public function pdf(Loan $loan, int $from, int $to, GiveFile $give): Response
    {
        $publication = $this->publication($loan);
        $loan->licence->rights()->chaptersAsPdf || abort(403, __('pages.no_pdf'));
        if (!$this->taken($loan, $publication, $from, $to)) {
            return new RedirectResponse(route('pages.choose', $loan, false));
        }

        $this->asPdf->canMake($loan, $publication, $from, $to) || abort(422, __('pages.other_script'));

        return $give($loan, PagesAsPdf::kind($from, $to));
    }

    /** One page of a PDF as a picture: each is asked for by itself, so that none keeps others waiting for long. */
    public function picture(Loan $loan, int $page): Response
    {
        $publication = $this->publication($loan);
        // The pages of other books are no pictures.
        $publication->media_type === Publication::PDF || abort(422);
        $this->taken($loan, $publication, $page, $page) || abort(404);

        return response(
            PrintedPages::picture($publication, $this->pdfTools, $page),
            headers: ['Content-Type' => 'image/png', 'Cache-Control' => 'private, no-store'],
        );
    }

    private static function most(Publication $publication): int
    {
        return $publication->media_type === Publication::PDF ? self::MOST_DRAWN : self::MOST_SET;
    }

    private function publication(Loan $loan): Publication
    {
        $loan->load(['title.contributors', 'title.publication', 'licence']);
        $publication = $loan->title->publication;

        return $publication === null || $publication->positions === [] ? abort(404) : $publication;
    }

    /** What is shown has been counted before, so that an address alone gives nothing more. */
    private function taken(Loan $loan, Publication $publication, int $from, int $to): bool
    {
        return $from >= 1 &&
            $to >= $from &&
            $to - $from < self::most($publication) &&
            $this->loanPages->allowance($loan)->has($from - 1, $to);
    }
}
