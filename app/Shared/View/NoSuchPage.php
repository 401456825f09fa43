<?php

declare(strict_types=1);

namespace App\Shared\View;

use Illuminate\Support\Facades\Request;
use Illuminate\Support\Facades\Route;
use Symfony\Component\HttpKernel\Exception\HttpException;
use Symfony\Component\HttpKernel\Exception\MethodNotAllowedHttpException;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** An address that no route knows: said in the language, and under the header, of who asks. */
final class NoSuchPage
{
    public function __invoke(): never
    {
        abort(404);
    }

    /** This page is there to be got; anything else that is asked of such an address is not "not allowed" there. */
    public static function insteadOf(MethodNotAllowedHttpException $fault): HttpException
    {
        $request = Request::instance();
        foreach (Route::getRoutes()->getRoutes() as $route) {
            if (!$route->isFallback && $route->matches($request, includingMethod: false)) {
                return $fault;
            }
        }

        return new NotFoundHttpException(previous: $fault);
    }
}
