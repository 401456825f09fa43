<?php

declare(strict_types=1);

namespace App\Reading\Speech;

use App\Models\Loan;
use Symfony\Component\HttpFoundation\Response;

/** A sentence or two of a loan as sound, for browsers without a voice of their own. */
final class SpeechController
{
    public function __invoke(SpeechRequest $request, Loan $loan, Voice $voice): Response
    {
        Voice::reads($loan->title->language) || abort(404);

        return response(
            $voice->say($request->string('text')->value()),
            headers: ['Content-Type' => 'audio/mpeg', 'Cache-Control' => 'private, no-store'],
        );
    }
}
