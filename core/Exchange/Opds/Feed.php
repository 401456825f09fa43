<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Opds;

/** One page of an OPDS 2.0 feed of publications (drafts.opds.io/opds-2.0, "Publications" and "Pagination"). */
final readonly class Feed
{
    /**
     * @param  list<Offer>  $offers
     * @param  list<string>  $skipped  why publications could not be understood, one line each
     * @param  string|null  $next  where the next page is, as the feed says it
     */
    private function __construct(public array $offers, public array $skipped, public ?string $next) {}

    /** @throws UnreadableFeed */
    public static function read(string $json): self
    {
        $feed = json_decode($json, true, 32);
        if (!is_array($feed) || !is_array($feed['metadata'] ?? null) || !is_array($feed['publications'] ?? null)) {
            throw new UnreadableFeed('It is no OPDS 2.0 feed: a JSON object with "metadata" and "publications".');
        }
        $offers = $skipped = [];
        foreach ($feed['publications'] as $n => $publication) {
            try {
                $offers[] = PublicationReader::read(is_array($publication) ? $publication : []);
            } catch (UnreadableFeed $problem) {
                $skipped[] = 'Publication ' . ($n + 1) . ": {$problem->getMessage()}";
            }
        }

        return new self($offers, $skipped, self::next($feed['links'] ?? []));
    }

    private static function next(mixed $links): ?string
    {
        foreach (is_array($links) ? $links : [] as $link) {
            if (
                is_array($link) &&
                in_array('next', (array) ($link['rel'] ?? []), true) &&
                is_string($link['href'] ?? null)
            ) {
                return $link['href'];
            }
        }

        return null;
    }
}
