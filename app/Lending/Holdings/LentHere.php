<?php

declare(strict_types=1);

namespace App\Lending\Holdings;

use App\Models\Title;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** For what is done with titles that are lent here: of what stands on paper or on the web there is no such thing. */
final class LentHere
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $title = $request->route('title');
        abort_if($title instanceof Title && !$title->format->isLent(), 404);

        return $next($request);
    }
}
