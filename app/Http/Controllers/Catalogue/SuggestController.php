<?php

declare(strict_types=1);

namespace App\Http\Controllers\Catalogue;

use App\Http\Current;
use App\Http\Input;
use App\Queries\Catalogue\Suggest;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

final class SuggestController
{
    public function __invoke(Request $request, Current $current, Suggest $suggest): Response
    {
        $suggestions = $suggest->of($current->requiredLibrary()->id, mb_substr(Input::text($request, 'q'), 0, 100), now()->toImmutable());

        return response()->view('catalogue.suggestions', ['suggestions' => $suggestions])->header('Cache-Control', 'private, max-age=60');
    }
}
