<?php

declare(strict_types=1);

namespace App\Catalogue\Suggestions;

use App\Lending\LoanRules\PayMonth;
use App\Shared\Input;
use App\Shared\RequestContext;
use Carbon\CarbonImmutable;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

final class SuggestController
{
    public function __invoke(Request $request, RequestContext $current, Suggest $suggest, PayMonth $payMonth): Response
    {
        $library = $current->requiredLibrary();
        $now = CarbonImmutable::now();
        $suggestions = $suggest->of(
            $library->id,
            mb_substr(Input::text($request, 'q'), 0, 100),
            $now,
            $payMonth->eligibility($current->card(), $library, $now),
        );

        // The same words mean something else at another library, and to another card.
        return response()
            ->view('catalogue.suggestions.suggestions', ['suggestions' => $suggestions])
            ->header('Cache-Control', 'no-store');
    }
}
