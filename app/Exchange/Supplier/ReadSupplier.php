<?php

declare(strict_types=1);

namespace App\Exchange\Supplier;

use App\Catalogue\Records\SaveRecord;
use App\Shared\OneAtATime;
use Carbon\CarbonImmutable;
use DateTimeImmutable;
use FigPorch\Core\Exchange\Opds\Feed;
use FigPorch\Core\Exchange\Opds\Offer;
use FigPorch\Core\Exchange\Opds\UnreadableFeed;
use Illuminate\Http\Client\ConnectionException;
use Illuminate\Http\Client\RequestException;
use Illuminate\Support\Facades\DB;
use PDOException;
use Throwable;

/**
 * Reads all that the neighbouring supplier offers and keeps it, so that nothing waits for the supplier and its outage
 * harms nothing: what was known before a reading that breaks off stays. After a whole reading, what is offered no more
 * is no longer said to be, unless it is so much that the reading must be wrong: then it is held back until staff say
 * that it is right.
 */
final class ReadSupplier
{
    private const MOST_PAGES = 20_000;

    private const MOST_SECONDS = 7200;

    /** Two that name the same people in another order may wait for each other; one of them begins anew. */
    private const TRIES = 5;

    /** Of what was offered before, the share that may be gone at once (common practice, no source). */
    private const MAY_BE_GONE = 1 / 3;

    public function __construct(
        private readonly SaveRecord $saveRecord,
        private readonly FetchFeed $fetch,
        private readonly TakeReading $take,
    ) {}

    /** @return string|null what went wrong; null also where another reading is under way */
    public function __invoke(string $address, DateTimeImmutable $now): ?string
    {
        $problem = null;
        OneAtATime::run(self::class, function () use ($address, $now, &$problem): void {
            $problem = $this->read($address, $now);
        });

        return $problem;
    }

    private function read(string $address, DateTimeImmutable $now): ?string
    {
        $reading = DB::table('supplier_readings')->insertGetId(['begun_at' => $now]);
        $found = ['titles' => 0, 'skipped' => 0];
        $problem = null;
        try {
            $found = $this->readAll($address, $now);
        } catch (UnreadableFeed | ConnectionException | RequestException $broken) {
            $problem = mb_substr($broken->getMessage(), 0, 500);
        } catch (Throwable $fault) {
            report($fault);
            $problem = 'An error of this program, which its log tells of: ' . class_basename($fault);
        }
        DB::transaction(function () use ($reading, $found, $problem, $now): void {
            $missing = $problem === null ? DB::table('supplied_titles')->where('seen_at', '<', $now)->count() : 0;
            $heldBack = $missing > self::MAY_BE_GONE * DB::table('supplied_titles')->count();
            DB::table('supplier_readings')
                ->where('id', $reading)
                ->update([
                    ...$found,
                    'ended_at' => now(),
                    'problem' => $problem,
                    'missing' => $missing,
                    'held_back' => $heldBack,
                ]);
            if ($problem === null && !$heldBack) {
                ($this->take)($reading);
            }
        });

        return $problem;
    }

    /**
     * @return array{titles: int, skipped: int}
     *
     * @throws UnreadableFeed
     * @throws ConnectionException
     * @throws RequestException
     */
    private function readAll(string $address, DateTimeImmutable $now): array
    {
        $found = ['titles' => 0, 'skipped' => 0];
        $until = CarbonImmutable::now()->addSeconds(self::MOST_SECONDS);
        $why = '';
        for ($next = $address, $seen = []; $next !== null; ) {
            if (isset($seen[$next])) {
                throw new UnreadableFeed("The pages of the feed lead in a circle, back to {$next}.");
            }
            if (count($seen) >= self::MOST_PAGES || CarbonImmutable::now() > $until) {
                throw new UnreadableFeed('The feed did not end after ' . count($seen) . ' pages.');
            }
            $seen[$next] = true;
            $page = ($this->fetch)($next);
            $feed = Feed::read($page['body']);
            foreach ($feed->offers as $offer) {
                $found[
                    $this->keep($offer, FetchFeed::page($page['address'], $offer->buyAt), $now) ? 'titles' : 'skipped'
                ]++;
            }
            $found['skipped'] += count($feed->skipped);
            $why = $why === '' ? $feed->skipped[0] ?? '' : $why;
            $next = $feed->next === null ? null : FetchFeed::beside($page['address'], $feed->next);
        }
        if ($found['titles'] === 0 && $found['skipped'] > 0) {
            throw new UnreadableFeed("None of {$found['skipped']} entries can be understood. {$why}");
        }

        return $found;
    }

    /** @return bool whether the database took it; one that it does not take stops none of the others */
    private function keep(Offer $offer, ?string $buyAt, DateTimeImmutable $now): bool
    {
        try {
            DB::transaction(fn() => $this->write($offer, $buyAt, $now), self::TRIES);
        } catch (PDOException $fault) {
            report($fault);

            return false;
        }

        return true;
    }

    /** A title that is known already keeps its own record. */
    private function write(Offer $offer, ?string $buyAt, DateTimeImmutable $now): void
    {
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
                    'buy_at' => $buyAt,
                    'seen_at' => $now,
                ],
            ],
            ['title_id'],
        );
        DB::update('update search_rows set supplied = true where title_id = ? and not supplied', [$titleId]);
    }
}
