<?php

declare(strict_types=1);

namespace App\Reading\Player;

use App\Lending\Loans\Opening;
use App\Models\Loan;
use App\Reading\Places\Places;
use App\Reading\Sections\Beginning;
use App\Shared\RequestContext;
use Illuminate\Http\RedirectResponse;
use Symfony\Component\HttpFoundation\Response;

/** Borrowed sound and video. */
final class PlayController
{
    public function __construct(private readonly Places $places, private readonly PlayedParts $played) {}

    public function show(Loan $loan, string $way, RequestContext $current, Beginning $beginning): Response
    {
        if ($way !== Opening::way($loan->title->format)) {
            return new RedirectResponse(Opening::of($loan));
        }

        return $this->view('reading.player.player', $loan, $current, $beginning);
    }

    /** What stands at the edge of every other page while it is heard. */
    public function small(Loan $loan, RequestContext $current): Response
    {
        return Opening::way($loan->title->format) === 'listen'
            ? $this->view('reading.player.small', $loan, $current)
            : new RedirectResponse(Opening::of($loan));
    }

    /** The small player goes on where it was; it has no beginning. */
    private function view(string $view, Loan $loan, RequestContext $current, ?Beginning $beginning = null): Response
    {
        $loan->load(['title.contributors', 'title.publication']);
        $publication = $loan->title->publication;
        if ($publication?->parts === null) {
            return response()->view('reading.reader.no-file', ['loan' => $loan], 404);
        }

        return response()
            ->view($view, [
                'title' => $loan->title,
                'publication' => $publication,
                'parts' => $this->played->of($loan->title, $publication, $loan),
                'loan' => $loan,
                'place' => $this->places->newest($current->requiredPerson()->id, $loan->title_id),
                'beginning' => $beginning?->of($loan, $publication),
            ])
            ->withHeaders(['Cache-Control' => 'private, no-store']);
    }
}
