<?php

declare(strict_types=1);

namespace Tests\Core\Reading;

use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Reading\Archive;
use FigPorch\Core\Reading\Creator;
use FigPorch\Core\Reading\Media\ManifestReader;
use FigPorch\Core\Reading\Media\MediaPublication;
use FigPorch\Core\Reading\Media\Part;
use FigPorch\Core\Reading\Reason;
use FigPorch\Core\Reading\UnreadablePublication;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use ZipArchive;

final class ManifestReaderTest extends TestCase
{
    /**
     * The shapes that W3C Publication Manifest §2.7 allows: texts, localizable texts, persons, links, and lists of
     * each.
     */
    #[Test]
    public function it_reads_what_a_manifest_says_in_whatever_shape(): void
    {
        $media = self::read(
            [
                'conformsTo' => 'https://www.w3.org/TR/audiobooks/',
                'id' => 'urn:isbn:9798999903013',
                'name' => ['value' => 'Low Water', 'language' => 'en'],
                'author' => [
                    'Tamsin Ebbing',
                    ['type' => 'Person', 'name' => [['value' => 'Juno Pike']], 'sortAs' => 'Pike, Juno'],
                ],
                'readBy' => ['name' => 'Odalys Brandt'],
                'inLanguage' => ['en', 'es'],
                'keywords' => 'Fiction',
                'datePublished' => '2024-09-31',
                'publisher' => ['type' => 'Organization', 'name' => 'Low Tide Books'],
                'typicalAgeRange' => '12-',
                'isPartOf' => [['type' => 'BookSeries', 'name' => 'Dunlin Sound Mysteries', 'position' => '2']],
                'accessMode' => ['auditory'],
                'readingOrder' => [
                    'one.mp3',
                    [
                        'url' => 'two%20b.ogg#t=1',
                        'encodingFormat' => 'audio/ogg',
                        'name' => 'Two',
                        'duration' => 'PT1M2.5S',
                    ],
                    ['href' => 'three.m4a', 'name' => ['value' => 'Three']],
                ],
                'resources' => [
                    ['rel' => 'contents', 'url' => 'toc.html'],
                    ['rel' => ['cover'], 'url' => 'cover.jpg'],
                    ['rel' => 'cover', 'url' => 'gone.png'],
                ],
            ],
            ['one.mp3', 'two b.ogg', 'three.m4a', 'cover.jpg'],
        );

        self::assertSame(
            [Format::Audiobook, 'Low Water', ['en', 'es'], ['urn:isbn:9798999903013'], ['Fiction']],
            [$media->format, $media->title, $media->languages, $media->identifiers, $media->subjects],
        );
        self::assertSame(
            [
                'Dunlin Sound Mysteries',
                2.0,
                'Low Tide Books',
                '2024-09',
                '12-',
                'cover.jpg',
                ['accessMode' => ['auditory']],
            ],
            [
                $media->series,
                $media->seriesPosition,
                $media->publisher,
                $media->date,
                $media->ages,
                $media->coverPath,
                $media->accessibility,
            ],
        );
        self::assertEquals(
            [
                new Creator('Tamsin Ebbing', 'Tamsin Ebbing', 'author'),
                new Creator('Juno Pike', 'Pike, Juno', 'author'),
                new Creator('Odalys Brandt', 'Odalys Brandt', 'narrator'),
            ],
            $media->creators,
        );
        self::assertEquals(
            [
                new Part('one.mp3', 'audio/mpeg', '1', null),
                new Part('two b.ogg', 'audio/ogg', 'Two', 62.5),
                new Part('three.m4a', 'audio/mp4', 'Three', null),
            ],
            $media->parts,
        );
    }

    #[Test]
    public function captions_are_alternates_of_a_part(): void
    {
        $media = self::read(
            [
                'type' => ['Movie'],
                'name' => 'Two Tides',
                'readingOrder' => [
                    [
                        'url' => 'film.webm',
                        'alternate' => [
                            ['url' => 'en.vtt', 'inLanguage' => 'en', 'name' => 'English'],
                            'es.vtt',
                            'film.mp3',
                            'gone.vtt',
                        ],
                    ],
                ],
            ],
            ['film.webm', 'en.vtt', 'es.vtt', 'film.mp3'],
        );
        self::assertSame(Format::Video, $media->format);
        self::assertSame(
            [['en.vtt', 'en', 'English'], ['es.vtt', 'und', 'und']],
            array_map(fn($c): array => [$c->path, $c->language, $c->label], $media->parts[0]->captions),
        );
    }

    /** @return iterable<string, array{array<mixed>|string, Reason}> */
    public static function refused(): iterable
    {
        $good = ['type' => 'Audiobook', 'name' => 'A', 'readingOrder' => ['a.mp3']];
        yield 'no JSON' => ['{"name": ', Reason::BadManifest];
        yield 'a list' => ['[1]', Reason::BadManifest];
        yield 'nested beyond sense' => [str_repeat('{"a":', 100) . '1' . str_repeat('}', 100), Reason::BadManifest];
        yield 'no title' => [['name' => " \x07 "] + $good, Reason::NoTitle];
        yield 'of no kind' => [['type' => 'CreativeWork'] + $good, Reason::UnknownKind];
        yield 'nothing to play' => [['readingOrder' => []] + $good, Reason::NoSpine];
        yield 'a file that is not there' => [['readingOrder' => ['a.mp3', 'b.mp3']] + $good, Reason::MissingFile];
        yield 'a page in an audiobook' => [['readingOrder' => ['page.html']] + $good, Reason::NotPlayable];
        yield 'sound as a film' => [['type' => 'Movie'] + $good, Reason::NotPlayable];
        yield 'an address elsewhere' => [
            ['readingOrder' => ['https://lantern.example/a.mp3']] + $good,
            Reason::MissingFile,
        ];
    }

    /** @param  array<mixed>|string  $manifest */
    #[Test, DataProvider('refused')]
    public function what_cannot_be_played_is_refused_with_its_reason(array|string $manifest, Reason $reason): void
    {
        try {
            self::read($manifest, ['a.mp3', 'page.html']);
            self::fail('It was taken in.');
        } catch (UnreadablePublication $refusal) {
            self::assertSame($reason, $refusal->reason);
        }
    }

    /** @return iterable<array{mixed, float|null}> ISO 8601 durations */
    public static function durations(): iterable
    {
        yield ['PT1H2M3.5S', 3723.5];
        yield ['PT90M', 5400.0];
        yield ['P1DT1S', 86401.0];
        yield ['PT0S', 0.0];
        yield ['P', null];
        yield ['1:02:03', null];
        yield [90, null];
        yield ['PT', null];
    }

    #[Test, DataProvider('durations')]
    public function durations_are_those_of_iso_8601(mixed $text, ?float $seconds): void
    {
        self::assertSame($seconds, ManifestReader::seconds($text));
    }

    /**
     * @param  array<mixed>|string  $manifest
     * @param  list<string>  $files
     */
    private static function read(array|string $manifest, array $files): MediaPublication
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'lpf');
        $zip = new ZipArchive();
        $zip->open($file, ZipArchive::OVERWRITE);
        $zip->addFromString(ManifestReader::FILE, is_string($manifest) ? $manifest : (string) json_encode($manifest));
        foreach ($files as $path) {
            $zip->addFromString($path, 'x');
        }
        $zip->close();

        return ManifestReader::read(new Archive($file));
    }
}
