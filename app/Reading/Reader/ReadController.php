<?php

declare(strict_types=1);

namespace App\Reading\Reader;

use App\Lending\Loans\Opening;
use App\Models\Loan;
use App\Models\Publication;
use App\Reading\Places\Places;
use App\Reading\Sections\Beginning;
use App\Shared\FileDelivery;
use App\Shared\Middleware\ProtectiveHeaders;
use App\Shared\RequestContext;
use Illuminate\Http\RedirectResponse;
use Symfony\Component\HttpFoundation\Response;

/** A borrowed publication: the reader's page and, one by one, the files it asks for. */
final class ReadController
{
    public function show(Loan $loan, RequestContext $current, Places $places, Beginning $beginning): Response
    {
        $loan->load(['title.contributors', 'title.publication']);
        if (Opening::way($loan->title->format) !== 'read') {
            return new RedirectResponse(Opening::of($loan));
        }
        $publication = $loan->title->publication;
        if ($publication === null) {
            return response()->view('reading.reader.no-file', ['loan' => $loan], 404);
        }

        return response()
            ->view('reading.reader.reader', [
                'title' => $loan->title,
                'publication' => $publication,
                'loan' => $loan,
                'place' => $places->newest($current->requiredPerson()->id, $loan->title_id),
                'beginning' => $beginning->of($loan, $publication),
            ])
            ->withHeaders([
                'Content-Security-Policy' => ProtectiveHeaders::READER_POLICY,
                'Cache-Control' => 'private, no-store',
            ]);
    }

    public function file(Loan $loan, string $path, FileDelivery $delivery): Response
    {
        $publication = Publication::query()->where('title_id', $loan->title_id)->firstOrFail();
        isset($publication->sizes[$path]) || abort(404);

        return $delivery->send(
            "{$publication->sha256}/whole/{$path}",
            $publication->types[$path] ?? 'application/octet-stream',
        );
    }
}
