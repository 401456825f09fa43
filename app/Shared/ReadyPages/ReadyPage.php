<?php

declare(strict_types=1);

namespace App\Shared\ReadyPages;

use App\Shared\Middleware\VisitorsLanguage;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/**
 * Pages that stand ready as files, for when the application does not answer or cannot even say why: by language, made
 * at each start, and given out by the web server.
 */
enum ReadyPage: string
{
    /** It does not answer: it is starting, or has broken down. */
    case Down = 'down';

    /** More wait for it than can be answered soon. */
    case Busy = 'busy';

    /** One visitor asks too often. */
    case Often = 'often';

    /** It answers, but something in it broke, and so did the page that would say so. */
    case Broken = 'broken';

    public static function folder(): string
    {
        return storage_path('pages');
    }

    public function file(string $language): string
    {
        return self::folder() . "/{$language}/{$this->value}.html";
    }

    public function answer(Request $request, int $status): Response
    {
        $file = $this->file(VisitorsLanguage::of($request));

        return new Response(
            is_file($file) ? (string) file_get_contents($file) : '<!doctype html><title>500</title>',
            $status,
            ['Content-Type' => 'text/html; charset=utf-8', 'Cache-Control' => 'no-store'],
        );
    }
}
