<?php

declare(strict_types=1);

namespace App\Reading\Player;

use App\Lending\Loans\Opening;
use App\Models\Loan;
use App\Reading\Places\Places;
use App\Shared\Middleware\ProtectiveHeaders;
use App\Shared\RequestContext;
use Illuminate\Http\RedirectResponse;
use Symfony\Component\HttpFoundation\Response;

/** Borrowed sound and video. */
final class PlayController
{
    public function show(Loan $loan, string $way, RequestContext $current, Places $places): Response
    {
        $loan->load(['title.contributors', 'title.publication']);
        if ($way !== Opening::way($loan->title->format)) {
            return new RedirectResponse(Opening::of($loan));
        }
        $publication = $loan->title->publication;
        if ($publication?->parts === null) {
            return response()->view('reading.reader.no-file', ['loan' => $loan], 404);
        }

        return response()
            ->view('reading.player.player', [
                'title' => $loan->title,
                'parts' => $publication->parts,
                'loan' => $loan,
                'place' => $places->newest($current->requiredPerson()->id, $loan->title_id),
            ])
            ->withHeaders([
                'Content-Security-Policy' => ProtectiveHeaders::PLAYER_POLICY,
                'Cache-Control' => 'private, no-store',
            ]);
    }
}
