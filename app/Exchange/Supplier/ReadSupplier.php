<?php

declare(strict_types=1);

namespace App\Exchange\Supplier;

use App\Catalogue\Records\SaveRecord;
use DateTimeImmutable;
use FigPorch\Core\Exchange\Opds\Feed;
use FigPorch\Core\Exchange\Opds\Offer;
use FigPorch\Core\Exchange\Opds\UnreadableFeed;
use GuzzleHttp\Psr7\Uri;
use GuzzleHttp\Psr7\UriResolver;
use Illuminate\Http\Client\ConnectionException;
use Illuminate\Http\Client\RequestException;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;

/**
 * Reads all that the neighbouring supplier offers and keeps it, so that nothing waits for the supplier and its outage
 * harms nothing: what was known before a reading that breaks off stays. After a whole reading, what is offered no more
 * is no longer said to be.
 */
final class ReadSupplier
{
    private const MOST_PAGES = 2000;

    private const SECONDS = 15;

    public function __construct(private readonly SaveRecord $saveRecord) {}

    /** @return string|null what went wrong */
    public function __invoke(string $address, DateTimeImmutable $now): ?string
    {
        $reading = DB::table('supplier_readings')->insertGetId(['begun_at' => $now]);
        try {
            $read = $this->readAll($address, $now);
            DB::transaction(function () use ($now): void {
                DB::table('supplied_titles')->where('seen_at', '<', $now)->delete();
                DB::update('update search_rows s set supplied = exists (select from supplied_titles t
                    where t.title_id = s.title_id)
                    where supplied <> exists (select from supplied_titles t where t.title_id = s.title_id)');
            });
            $problem = null;
        } catch (UnreadableFeed | ConnectionException | RequestException $broken) {
            [$read, $problem] = [0, mb_substr($broken->getMessage(), 0, 500)];
        }
        DB::table('supplier_readings')
            ->where('id', $reading)
            ->update(['ended_at' => now(), 'titles' => $read, 'problem' => $problem]);

        return $problem;
    }

    /**
     * @throws UnreadableFeed
     * @throws ConnectionException
     * @throws RequestException
     */
    private function readAll(string $address, DateTimeImmutable $now): int
    {
        $read = 0;
        for (
            $next = $address, $seen = [];
            $next !== null && !isset($seen[$next]) && count($seen) < self::MOST_PAGES;

        ) {
            $seen[$next] = true;
            $feed = Feed::read(
                Http::timeout(self::SECONDS)
                    ->accept('application/opds+json')
                    ->retry(2, 500)
                    ->get($next)
                    ->throw()
                    ->body(),
            );
            foreach ($feed->offers as $offer) {
                $this->keep($offer, $now);
            }
            $read += count($feed->offers);
            $next = $feed->next === null ? null : self::beside($next, $feed->next);
        }

        return $read;
    }

    /** A title that is known already keeps its own record. */
    private function keep(Offer $offer, DateTimeImmutable $now): void
    {
        DB::transaction(function () use ($offer, $now): void {
            $known = DB::table('titles')->where('record_key', $offer->record->key)->value('id');
            $hash = hash('xxh128', serialize($offer->record));
            // Most of a catalogue is as it was an hour ago; and what a library has is described by the library.
            $settled =
                $known !== null &&
                (DB::table('supplied_titles')
                    ->where(['title_id' => $known, 'record_hash' => $hash])
                    ->exists() ||
                    DB::table('licences')->where('title_id', $known)->exists());
            $titleId = $settled ? (int) $known : ($this->saveRecord)($offer->record, $now)->id;
            DB::table('supplied_titles')->upsert(
                [
                    [
                        'title_id' => $titleId,
                        'record_hash' => $hash,
                        'price_cents' => $offer->priceCents,
                        'currency' => $offer->currency,
                        'seen_at' => $now,
                    ],
                ],
                ['title_id'],
            );
            DB::update('update search_rows set supplied = true where title_id = ? and not supplied', [$titleId]);
        });
    }

    /**
     * An address that may be relative to the page it stands on; never at another host.
     *
     * @throws UnreadableFeed
     */
    private static function beside(string $page, string $href): string
    {
        $next = UriResolver::resolve(new Uri($page), new Uri($href));
        if ($next->getAuthority() !== (new Uri($page))->getAuthority()) {
            throw new UnreadableFeed("The feed goes on at another host, {$next->getAuthority()}, which is not read.");
        }

        return (string) $next;
    }
}
