<?php

declare(strict_types=1);

namespace FigPorch\Demo;

use App\Models\Title;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Demo\Media\Package;
use FigPorch\Demo\Media\Scenes;
use FigPorch\Demo\Media\Speech;
use FigPorch\Demo\Media\Tune;
use LogicException;

/**
 * A file for each record that came without one: a short talk, a few tunes, a short film, an issue. About a second's
 * work each, and the same every time.
 */
final class FilesOfRecords
{
    /** What a film's scenes are drawn of, by Scenes. */
    private const DRAWN = ['dusk', 'tower', 'lamp', 'beam', 'night', 'island', 'goat', 'tide', 'moon', 'boat', 'rope'];

    /** Chapters that are read, and words of each: enough to hear, soon made. */
    private const CHAPTERS = 2;

    private const WORDS = 36;

    private const TRACKS = 3;

    private const BARS = 6;

    /** @var array<string, Book>|null by name */
    private ?array $books = null;

    public function __construct(private readonly string $folder)
    {
        is_dir($folder) || mkdir($folder, 0o755, true);
    }

    /** @return string the path of the file */
    public function of(Title $title): string
    {
        $file = "{$this->folder}/" . strtr($title->record_key, ':', '-');
        $text = new TextGenerator(crc32($title->record_key));

        return match ($title->format) {
            Format::Audiobook => $this->package($title, "{$file}.lpf", $this->read(...), $text),
            Format::Music => $this->package($title, "{$file}.lpf", $this->played(...), $text),
            Format::Video => $this->package($title, "{$file}.lpf", $this->filmed(...), $text),
            Format::Magazine => $this->printed($title, "{$file}.epub", $text),
            Format::Paper, Format::Website => throw new LogicException('What stands elsewhere has no file.'),
            Format::Ebook => throw new LogicException('Every ebook of the demo is a file from the beginning.'),
        };
    }

    /** @param  callable(Package, Title, TextGenerator): void  $fill */
    private function package(Title $title, string $file, callable $fill, TextGenerator $text): string
    {
        if (!is_file($file)) {
            $package = new Package("urn:demo:{$title->record_key}");
            $package->describe([
                'type' => match ($title->format) {
                    Format::Audiobook => 'Audiobook',
                    Format::Music => 'MusicAlbum',
                    default => 'Movie',
                },
                'name' => $title->name,
                'inLanguage' => $title->language,
                'accessMode' => $title->format === Format::Video ? ['visual', 'auditory'] : ['auditory'],
            ]);
            $fill($package, $title, $text);
            $package->write($file);
        }

        return $file;
    }

    private function read(Package $package, Title $title): void
    {
        $this->books ??= array_column(
            array_map(fn(Book $of): array => [$of->title, $of], (new TextGenerator())->books(180)),
            1,
            0,
        );
        foreach (array_slice($this->books[$title->name]->chapters, 0, self::CHAPTERS) as $n => $chapter) {
            $words = preg_split('/\s+/', trim(strip_tags(strtr($chapter['html'], ['<' => ' <'])))) ?: [];
            $said = implode(' ', array_slice($words, 0, self::WORDS)) . '.';
            $package->part("chapter-{$n}.mp3", $chapter['title'], Speech::sound($said));
        }
    }

    private function played(Package $package, Title $title, TextGenerator $text): void
    {
        for ($n = 1; $n <= self::TRACKS; $n++) {
            $name = $text->pieceName();
            $slow = in_array('Chamber music', $title->subjectNames(), true);
            $package->part("track-{$n}.mp3", $name, Tune::sound("{$title->record_key} {$name}", $slow, self::BARS));
        }
    }

    private function filmed(Package $package, Title $title, TextGenerator $text): void
    {
        $first = crc32($title->record_key);
        $scenes = [];
        foreach ($text->talk(3) as $n => $said) {
            $scenes[] = [self::DRAWN[($first + 4 * $n) % count(self::DRAWN)], $said];
        }
        [$video, $captions] = Scenes::make($scenes, $title->record_key);
        $package->part('film.mp4', $title->name, $video, ['en' => ['English', $captions]]);
    }

    private function printed(Title $title, string $file, TextGenerator $text): string
    {
        $articles = '';
        for ($n = 0; $n < 3; $n++) {
            $paragraphs = array_map(fn(): string => implode(' ', $text->talk(4)), range(1, 3));
            $articles .=
                "# {$text->pieceName()}\n\n*{$text->personName()}*\n\n" . implode("\n\n", $paragraphs) . "\n\n";
        }
        $issue = (new DemoMagazines())->issue(
            [
                'magazine' => $title->name,
                'issue' => (int) $title->series_position,
                'publisher' => (string) $title->publisher,
                'published' => (string) $title->published,
                'subjects' => array_values($title->subjectNames()),
                'description' => (string) $title->description,
            ],
            $articles,
            $title->id,
        );
        (new EpubBuilder())->write($issue, $file);

        return $file;
    }
}
