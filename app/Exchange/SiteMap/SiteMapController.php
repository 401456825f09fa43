<?php

declare(strict_types=1);

namespace App\Exchange\SiteMap;

use Illuminate\Http\Response;
use Illuminate\Support\Str;

/** What is public here, for search engines: site maps (sitemaps.org, 0.90), and where they are (RFC 9309). */
final class SiteMapController
{
    private const NAMESPACE = 'http://www.sitemaps.org/schemas/sitemap/0.9';

    public function __construct(private readonly PublicTitles $titles) {}

    public function index(): Response
    {
        return self::xml(
            'sitemapindex',
            'sitemap',
            array_map(fn(int $part): string => route('site-map.part', $part), $this->titles->parts()),
        );
    }

    public function part(string $part): Response
    {
        $titles = $this->titles->of((int) $part);
        $titles !== [] || abort(404);

        // One address is made, and not 40,000.
        $start = Str::beforeLast(route('titles.show', 0), '0');

        return self::xml('urlset', 'url', array_map(fn(int $id): string => $start . $id, $titles));
    }

    /** Titles are for all; what searches and what is somebody's has nothing for machines. */
    public function robots(): Response
    {
        return response(
            "User-agent: *\nDisallow: /catalogue\nDisallow: /suggest\nDisallow: /desk\nDisallow: /opds\nSitemap: " .
                route('site-map') .
                "\n",
        )->withHeaders(['Content-Type' => 'text/plain; charset=UTF-8', 'Cache-Control' => 'public, max-age=86400']);
    }

    /** @param  list<string>  $addresses */
    private static function xml(string $root, string $each, array $addresses): Response
    {
        $lines = array_map(
            fn(string $address): string => "<{$each}><loc>" .
                htmlspecialchars($address, ENT_XML1) .
                "</loc></{$each}>\n",
            $addresses,
        );

        return response(
            "<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n<{$root} xmlns=\"" .
                self::NAMESPACE .
                "\">\n" .
                implode('', $lines) .
                "</{$root}>\n",
        )->withHeaders(['Content-Type' => 'application/xml', 'Cache-Control' => 'public, max-age=3600']);
    }
}
