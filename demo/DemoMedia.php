<?php

declare(strict_types=1);

namespace FigPorch\Demo;

use FigPorch\Core\Catalogue\Format;
use FigPorch\Demo\Media\Package;
use FigPorch\Demo\Media\Scenes;
use FigPorch\Demo\Media\Speech;
use FigPorch\Demo\Media\Tune;
use Illuminate\Support\Str;

/**
 * The demo's sound and pictures: books read aloud, albums played by a few lines of arithmetic, films of drawn scenes.
 */
final class DemoMedia
{
    /** Ebooks that are read aloud too, and by whom. */
    private const READ = [
        'Low Water' => 'Odalys Brandt',
        'The Salt Ledger' => 'Fenwick Oar',
        'Letters from Cinder Point' => 'Maud Tolliver',
        'The Lamp That Slept In' => 'Odalys Brandt',
        'The Tidewater Choir' => 'Fenwick Oar',
        'A Field of Bells' => 'Maud Tolliver',
    ];

    /** So much of each is read: enough to hear, soon made. */
    private const WORDS_READ = 520;

    private const ALBUMS = [
        [
            'Songs for a Falling Glass',
            'The Gut Street Band',
            'Songs',
            ['Falling Glass', 'Rope in Hand', 'The Long Ebb', 'Home by the Lamp'],
        ],
        [
            'Four Dances from Hollow Tor',
            'Hollow Tor Players',
            'Dance tunes',
            ['Bell Round', 'The Quarry Step', 'Slow for Winter', 'Eight Hands'],
        ],
        ['Lamp Music', 'Perrin Ashlock', 'Chamber music', ['Lighting', 'Turning', 'Fog', 'Morning']],
        [
            'Ropewalk Reels',
            'The Gut Street Band',
            'Dance tunes',
            ['The Ropewalk', 'Tar and Twine', 'Saltash’s Bucket', 'Eleven Goats'],
        ],
    ];

    public function __construct(private readonly string $folder)
    {
        is_dir($folder) || mkdir($folder, 0o755, true);
    }

    /**
     * Packages, made where they are not there yet.
     *
     * @param  list<Book>  $books
     * @param  int|null  $each  no more of each kind than this
     * @return array<string, Format> file => its format
     */
    public function packages(array $books, ?int $each = null): array
    {
        $files = [];
        $number = 300;
        foreach (array_slice(self::READ, 0, $each, true) as $title => $reader) {
            foreach ($books as $book) {
                if ($book->title === $title) {
                    $files[$this->audiobook($book, $reader, ++$number)] = Format::Audiobook;
                }
            }
        }
        foreach (array_slice(self::ALBUMS, 0, $each) as $album) {
            $files[$this->album($album, ++$number)] = Format::Music;
        }
        foreach (array_slice(Scenes::films(), 0, $each) as $film) {
            $files[$this->film($film, ++$number)] = Format::Video;
        }

        return $files;
    }

    private function audiobook(Book $book, string $reader, int $number): string
    {
        return $this->once($number, function (Package $package) use ($book, $reader): void {
            $package->describe(
                [
                    'type' => 'Audiobook',
                    'conformsTo' => 'https://www.w3.org/TR/audiobooks/',
                    'name' => $book->title,
                    'inLanguage' => $book->language,
                    'author' => array_map(
                        fn(array $c): array => ['type' => 'Person', 'name' => $c['name'], 'sortAs' => $c['sort']],
                        array_values(array_filter($book->creators, fn(array $c): bool => $c['role'] === 'aut')),
                    ),
                    'readBy' => $reader,
                    'publisher' => $book->publisher,
                    'datePublished' => $book->published,
                    'description' => $book->description,
                    'keywords' => $book->subjects,
                    'typicalAgeRange' => $book->ages,
                    'abridged' => true,
                    'isPartOf' =>
                        $book->series === null
                            ? null
                            : ['type' => 'BookSeries', 'name' => $book->series, 'position' => $book->seriesPosition],
                    'accessMode' => ['auditory'],
                    'accessibilityFeature' => ['tableOfContents'],
                ],
                $book->cover,
            );
            $left = self::WORDS_READ;
            foreach ($book->chapters as $n => $chapter) {
                $words =
                    preg_split(
                        '/\s+/',
                        trim(
                            html_entity_decode(
                                strip_tags((string) preg_replace('~<svg.*?</svg>~s', ' ', $chapter['html'])),
                            ),
                        ),
                    ) ?:
                    [];
                if ($left <= 0) {
                    break;
                }
                $package->part(
                    sprintf('chapter-%02d.mp3', $n + 1),
                    $chapter['title'],
                    Speech::sound(implode(' ', array_slice($words, 0, $left))),
                );
                $left -= count($words);
            }
        });
    }

    /** @param  array{string, string, string, list<string>}  $album */
    private function album(array $album, int $number): string
    {
        [$name, $artist, $kind, $tracks] = $album;

        return $this->once($number, function (Package $package) use ($name, $artist, $kind, $tracks): void {
            $package->describe([
                'type' => 'MusicAlbum',
                'name' => $name,
                'byArtist' => $artist,
                'publisher' => 'Tidewrack Recordings',
                'datePublished' => '2025',
                'keywords' => ['Music', $kind],
                'description' => "{$artist} play “{$tracks[0]}” and three more.",
            ]);
            foreach ($tracks as $n => $track) {
                $package->part(
                    sprintf('track-%02d.mp3', $n + 1),
                    $track,
                    Tune::sound($track, slow: $kind === 'Chamber music'),
                );
            }
        });
    }

    /**
     * @param  array{name: string, director: string, subjects: list<string>, description: string,
     *     scenes: list<array{string, string}>, episodes?: array<string, list<array{string, string}>>}  $film
     */
    private function film(array $film, int $number): string
    {
        return $this->once($number, function (Package $package) use ($film): void {
            $package->describe([
                'type' => isset($film['episodes']) ? 'TVSeries' : 'Movie',
                'name' => $film['name'],
                'director' => $film['director'],
                'publisher' => 'Harbour Light Pictures',
                'datePublished' => '2025-06',
                'inLanguage' => 'en',
                'keywords' => $film['subjects'],
                'description' => $film['description'],
                'accessMode' => ['visual', 'auditory'],
                'accessibilityFeature' => ['captions'],
            ]);
            $first = isset($film['episodes']) ? 'The Loop That Holds' : $film['name'];
            foreach ([$first => $film['scenes'], ...$film['episodes'] ?? []] as $name => $scenes) {
                [$video, $captions] = Scenes::make($scenes, $name);
                $package->part($name === $first ? 'film.mp4' : Str::slug($name) . '.mp4', $name, $video, [
                    'en' => ['English', $captions],
                ]);
            }
        });
    }

    /** @param  callable(Package): void  $make */
    private function once(int $number, callable $make): string
    {
        $file = "{$this->folder}/" . ($isbn = DemoEbooks::isbn($number)) . '.lpf';
        if (!is_file($file)) {
            $package = new Package("urn:isbn:{$isbn}");
            $make($package);
            $package->write($file);
        }

        return $file;
    }
}
