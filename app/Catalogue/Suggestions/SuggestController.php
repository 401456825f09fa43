<?php

declare(strict_types=1);

namespace App\Catalogue\Suggestions;

use App\Shared\Input;
use App\Shared\RequestContext;
use Carbon\CarbonImmutable;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

final class SuggestController
{
    public function __invoke(Request $request, RequestContext $current, Suggest $suggest): Response
    {
        $suggestions = $suggest->of(
            $current->requiredLibrary()->id,
            mb_substr(Input::text($request, 'q'), 0, 100),
            CarbonImmutable::now(),
        );

        return response()
            ->view('catalogue.suggestions.suggestions', ['suggestions' => $suggestions])
            ->header('Cache-Control', 'private, max-age=60');
    }
}
