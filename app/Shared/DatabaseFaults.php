<?php

declare(strict_types=1);

namespace App\Shared;

use Illuminate\Database\QueryException;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Log;
use PDOException;
use Symfony\Component\HttpFoundation\Response;

/** What is made of a question that the database did not answer: for who asked, and for who looks after the machine. */
final class DatabaseFaults
{
    /** Somebody else holds a row, or it took too long, or there is no connection to be had. */
    private const PASSING = ['55P03', '57014', '57P01', '57P02', '57P03', '53300', '08006', '08001', '08004', '7'];

    private const RETRY_SECONDS = 5;

    /** Without the values that were bound, and what PostgreSQL says of them: they are patrons' words and numbers. */
    public static function log(PDOException $fault): void
    {
        $ours = array_filter(
            $fault->getTrace(),
            fn(array $at): bool => preg_match('~/(app|routes)/~', $at['file'] ?? '') === 1 &&
                !str_contains($at['file'], '/Middleware/'),
        );
        $at = array_values($ours)[0] ?? [];
        $sql = $fault instanceof QueryException ? $fault->getSql() : 'commit';
        Log::error('A question to the database failed.', [
            'state' => (string) $fault->getCode(),
            'sql' => mb_strimwidth((string) preg_replace('/\s+/', ' ', $sql), 0, 2000, '…'),
            'at' => ($at['file'] ?? '') . ':' . ($at['line'] ?? ''),
        ]);
    }

    /**
     * An answer that says so and asks to try again, where that will help; null where something is wrong.
     *
     * @param  PDOException  $fault  also of a commit, at which what was put off until then may have to wait
     */
    public static function answer(PDOException $fault, Request $request): ?Response
    {
        return self::isPassing($fault) ? self::busy($request) : null;
    }

    /** Whether to try again later will help. */
    public static function isPassing(PDOException $fault): bool
    {
        return in_array((string) $fault->getCode(), self::PASSING, true);
    }

    /** Nothing was changed; in a few seconds it will go. */
    public static function busy(Request $request): Response
    {
        $answer = $request->expectsJson()
            ? response()->json(['message' => __('common.busy.text')])
            : response()->view('errors.plain', [
                'heading' => __('common.busy.heading'),
                'text' => __('common.busy.text'),
                'to' => self::again($request),
                'button' => __('common.busy.again'),
            ]);

        return $answer
            ->setStatusCode(Response::HTTP_SERVICE_UNAVAILABLE)
            ->header('Retry-After', (string) self::RETRY_SECONDS);
    }

    /** The page that was asked for; where something was sent, the one that it was sent from, if it is ours. */
    private static function again(Request $request): string
    {
        $page = $request->isMethod('get') ? $request->fullUrl() : (string) $request->headers->get('Referer');

        return str_starts_with($page, $request->root() . '/') ? $page : '/';
    }
}
