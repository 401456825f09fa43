<?php

declare(strict_types=1);

namespace Tests\Core\Exchange;

use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Exchange\Opds\Feed;
use FigPorch\Core\Exchange\Opds\UnreadableFeed;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * Feeds as OPDS 2.0 (drafts.opds.io/opds-2.0) and the Readium Web Publication Manifest describe them; their forms are
 * from memory.
 */
final class OpdsTest extends TestCase
{
    public function test_metadata_in_every_form_that_the_manifest_allows(): void
    {
        $feed = Feed::read(
            (string) json_encode([
                'metadata' => ['title' => 'Feed'],
                'links' => [['rel' => ['self'], 'href' => '/opds'], ['rel' => ['next'], 'href' => '/opds?page=2']],
                'publications' => [
                    [
                        'metadata' => [
                            '@type' => 'http://schema.org/Audiobook',
                            'title' => ['en' => 'The Far Tower', 'es' => 'La torre lejana'],
                            'subtitle' => 'A story',
                            'identifier' => 'urn:isbn:9780306406157',
                            'author' => 'Mirren Tidewell',
                            'narrator' => ['name' => ['en' => 'Nils Ashgrove'], 'sortAs' => 'Ashgrove, Nils'],
                            'translator' => [['name' => 'Oriel Lomond']],
                            'language' => ['en', 'es'],
                            'publisher' => ['name' => 'Ninefold'],
                            'published' => '2019-05-12T00:00:00Z',
                            'duration' => 34000.4,
                            'description' => '<p>Up &amp; up.</p>',
                            'subject' => ['Mountains', ['name' => 'Weather', 'code' => 'X']],
                            'belongsTo' => ['series' => ['name' => 'Towers', 'position' => 2]],
                            'typicalAgeRange' => '13-17',
                        ],
                    ],
                    [
                        'metadata' => [
                            '@type' => 'http://schema.org/MusicAlbum',
                            'title' => 'Songs',
                            'identifier' => 'urn:x:1',
                            'duration' => 1800,
                        ],
                        'readingOrder' => [['href' => '1.mp3'], ['href' => '2.mp3']],
                    ],
                ],
            ]),
        );
        $this->assertSame('/opds?page=2', $feed->next);
        [$book, $album] = [$feed->offers[0]->record, $feed->offers[1]->record];
        $this->assertSame(
            [
                'isbn:9780306406157',
                'The Far Tower',
                'A story',
                Format::Audiobook,
                34000,
                'en',
                '2019-05-12',
                'Ninefold',
                'Up & up.',
                'Towers',
                2.0,
                Audience::Teen,
            ],
            [
                $book->key,
                $book->name,
                $book->subtitle,
                $book->format,
                $book->extent,
                $book->language,
                $book->published,
                $book->publisher,
                $book->description,
                $book->series,
                $book->seriesPosition,
                $book->audience,
            ],
        );
        $this->assertSame(
            [['Mirren Tidewell', 'author'], ['Nils Ashgrove', 'narrator'], ['Oriel Lomond', 'translator']],
            array_map(fn(array $c): array => [$c['name'], $c['role']], $book->contributors),
        );
        $this->assertSame(['Mountains', 'Weather'], $book->subjects);
        $this->assertSame([2, 1800, 'supplied:urn:x:1'], [$album->extent, $album->seconds, $album->key]);
    }

    public function test_a_publication_that_cannot_be_understood_is_passed_over_with_its_reason(): void
    {
        $feed = Feed::read(
            '{"metadata": {}, "publications": [{"metadata": {"identifier": "urn:x:1"}}, {"metadata": {"title": ' .
                '"A", "@type": "http://schema.org/Bicycle", "identifier": "urn:x:2"}}, {"metadata": {"title": ' .
                '"B"}}, "C", {"metadata": {"title": "D", "identifier": "urn:x:3", "author": 7, "subject": ' .
                '{"name": 4}, "numberOfPages": "many"}}]}',
        );
        $this->assertSame(
            [
                'Publication 1: it has no title.',
                'Publication 2: “A” is of a type that is not lent here.',
                'Publication 3: “B” has no identifier.',
                'Publication 4: it has no title.',
            ],
            $feed->skipped,
        );
        $this->assertSame(['D', []], [$feed->offers[0]->record->name, $feed->offers[0]->record->contributors]);
    }

    /** @return iterable<string, array{string}> */
    public static function noFeeds(): iterable
    {
        yield 'markup' => ['<feed/>'];
        yield 'nothing' => [''];
        yield 'a list' => ['[1, 2]'];
        yield 'no publications' => ['{"metadata": {"title": "x"}, "navigation": []}'];
        yield 'too deep' => [str_repeat('[', 600) . str_repeat(']', 600)];
    }

    #[DataProvider('noFeeds')]
    public function test_what_is_no_feed_is_refused(string $text): void
    {
        $this->expectException(UnreadableFeed::class);
        Feed::read($text);
    }
}
