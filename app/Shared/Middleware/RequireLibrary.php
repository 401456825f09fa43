<?php

declare(strict_types=1);

namespace App\Shared\Middleware;

use App\Shared\RequestContext;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Sends those who have not chosen a library to choose one, and back. */
final class RequireLibrary
{
    public function __construct(private readonly RequestContext $current) {}

    public function handle(Request $request, Closure $next): Response
    {
        if ($this->current->library === null) {
            return redirect()->route('libraries.index', ['then' => $request->getRequestUri()]);
        }

        return $next($request);
    }
}
