<?php

declare(strict_types=1);

namespace App\Exchange\Opds;

use FigPorch\Core\Exchange\Opds\Out\Feed;
use FigPorch\Core\Exchange\Opds\Out\FeedAsAtom;
use FigPorch\Core\Exchange\Opds\Out\FeedAsJson;
use FigPorch\Core\Exchange\Opds\Out\Publication;
use Illuminate\Http\Response;

/** The two editions of OPDS that applications know; both say the same. */
enum Edition: string
{
    case One = '1';

    case Two = '2';

    public function navigation(): string
    {
        return $this === self::Two ? FeedAsJson::FEED : FeedAsAtom::NAVIGATION;
    }

    public function acquisition(): string
    {
        return $this === self::Two ? FeedAsJson::FEED : FeedAsAtom::ACQUISITION;
    }

    public function entry(): string
    {
        return $this === self::Two ? FeedAsJson::PUBLICATION : FeedAsAtom::ENTRY;
    }

    public function feed(Feed $feed): Response
    {
        return $this === self::Two
            ? self::json(FeedAsJson::feed($feed), FeedAsJson::FEED)
            : self::answer(
                FeedAsAtom::feed($feed),
                $feed->navigation === null ? FeedAsAtom::ACQUISITION : FeedAsAtom::NAVIGATION,
            );
    }

    public function publication(Publication $publication, int $status = 200): Response
    {
        return $this === self::Two
            ? self::json(FeedAsJson::publication($publication), FeedAsJson::PUBLICATION, $status)
            : self::answer(FeedAsAtom::publication($publication), FeedAsAtom::ENTRY, $status);
    }

    /** @param  array<string, mixed>  $document */
    public static function json(array $document, string $type, int $status = 200): Response
    {
        return self::answer(
            json_encode(
                $document,
                JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_INVALID_UTF8_SUBSTITUTE,
            ),
            $type,
            $status,
        );
    }

    private static function answer(string $body, string $type, int $status = 200): Response
    {
        return new Response($body, $status, [
            'Content-Type' => $type,
            // What is ready now may not be in a moment, and much of it is of one person.
            'Cache-Control' => 'private, no-cache',
            'Vary' => 'Authorization, Accept-Language',
        ]);
    }
}
