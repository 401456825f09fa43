<?php

declare(strict_types=1);

namespace Tests\Reference;

use FigPorch\Core\Reading\Archive;
use FigPorch\Core\Reading\Epub\Excerpt;
use FigPorch\Core\Reading\Epub\PackageReader;
use FigPorch\Core\Reading\Epub\Publication;
use FigPorch\Core\Reading\Epub\SpineItem;
use FigPorch\Core\Reading\Epub\Xml;
use FigPorch\Demo\Book;
use FigPorch\Demo\DemoEbooks;
use FigPorch\Demo\DemoMagazines;
use FigPorch\Demo\EpubBuilder;
use FigPorch\Demo\Media\ReadAlong;
use FigPorch\Demo\TextGenerator;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;
use ZipArchive;

/**
 * What we make, against EPUB 3.3 as epubcheck reads it (npm @likecoin/epubcheck-ts); what others made, from Debian's
 * documentation packages, against what those files say of themselves (read by eye).
 */
final class EpubTest extends TestCase
{
    /** @return iterable<string, array{Book}> */
    public static function ourBooks(): iterable
    {
        foreach (
            [
                ...(new DemoEbooks())->books(),
                (new DemoMagazines())->issues()[0],
                ReadAlong::of((new DemoEbooks())->later()[0][0]),
                ...array_column(array_filter((new DemoEbooks())->later(), fn(array $l): bool => $l[1] === 'epub'), 0),
                ...array_slice((new TextGenerator())->books(6), 3),
            ]
            as $book
        ) {
            yield $book->title => [$book];
        }
    }

    #[DataProvider('ourBooks')]
    public function test_our_books_and_their_excerpts_are_valid(Book $book): void
    {
        $file = tempnam(sys_get_temp_dir(), 'our') . '.epub';
        (new EpubBuilder())->write($book, $file);
        $archive = new Archive($file);
        $publication = PackageReader::read($archive);
        $excerpt = Excerpt::of($archive, $publication);
        $excerptFile = self::pack($archive, $excerpt);

        $checks = array_map(self::epubcheck(...), [$file, $excerptFile]);
        foreach ($checks as $i => $check) {
            $check->wait();
            $this->assertSame(
                0,
                $check->getExitCode(),
                ($i === 0 ? 'the book: ' : 'its excerpt: ') . $check->getOutput() . $check->getErrorOutput(),
            );
        }
        $this->assertSame($book->title, $publication->title);
        $this->assertLessThan(
            count($publication->spine),
            count(PackageReader::read(new Archive($excerptFile))->spine),
            'an excerpt is not the whole',
        );
    }

    public function test_the_same_book_is_the_same_file(): void
    {
        $book = (new DemoEbooks())->books()[1];
        $hashes = [];
        foreach ([1, 2] as $time) {
            (new EpubBuilder())->write($book, $file = tempnam(sys_get_temp_dir(), 'same') . $time);
            $hashes[] = hash_file('sha256', $file);
        }
        $this->assertSame($hashes[0], $hashes[1]);
    }

    /** @return iterable<string, array{string, array<string, mixed>}> */
    public static function booksOfOthers(): iterable
    {
        yield 'EPUB 3 in English' => [
            '/usr/share/doc/debian-policy/policy.epub',
            ['title' => 'Debian Policy Manual', 'language' => 'en', 'contents' => 10],
        ];
        yield 'EPUB 2 in Russian' => [
            '/usr/share/doc/debian-history/docs/project-history.ru.epub',
            ['title' => 'Краткая история Debian', 'language' => 'ru', 'contents' => 5],
        ];
        yield 'in Korean' => [
            '/usr/share/doc/debian-history/docs/project-history.ko.epub',
            ['title' => '간단한 데비안 역사', 'language' => 'ko', 'contents' => 5],
        ];
        yield 'in Japanese, though it says English' => [
            '/usr/share/doc/debian-history/docs/project-history.ja.epub',
            ['title' => 'Debian 小史', 'language' => 'en', 'contents' => 5],
        ];
        yield 'in Malayalam, with pictures' => [
            '/usr/share/doc/eyes17/ml/eyes17.epub',
            ['title' => 'expEYES-17', 'language' => 'ml', 'contents' => 3],
        ];
        yield 'in Spanish' => [
            '/usr/share/doc/live-manual/epub/live-manual.es.epub',
            ['title' => 'Manual de Live Systems', 'language' => 'es', 'contents' => 3],
        ];
    }

    /** @param  array{title: string, language: string, contents: int}  $says */
    #[DataProvider('booksOfOthers')]
    public function test_books_that_others_made(string $file, array $says): void
    {
        $archive = new Archive($file);
        $publication = PackageReader::read($archive);

        $this->assertSame(
            [$says['title'], $says['language']],
            [$publication->title, $publication->languages[0] ?? null],
        );
        $this->assertGreaterThanOrEqual(
            $says['contents'],
            count($publication->contents, COUNT_RECURSIVE) + self::below($publication),
        );
        foreach ($publication->contents as $point) {
            $this->assertNotSame('', $point->label);
            $this->assertTrue(
                $point->href === null || $archive->has(explode('#', $point->href)[0]),
                (string) $point->href,
            );
        }
        $front = new Archive(self::pack($archive, Excerpt::of($archive, $publication)));
        $excerpt = PackageReader::read($front);
        $this->assertSame($publication->spine[0]->href, $excerpt->spine[0]->href);
        $text = fn(Archive $of, Publication $in): int => array_sum(
            array_map(
                fn(string $path): int => strlen(Xml::body($of->read($path))->textContent ?? ''),
                array_unique(array_map(fn(SpineItem $item): string => $item->href, $in->spine)),
            ),
        );
        $this->assertLessThanOrEqual(0.1 * $text($archive, $publication), $text($front, $excerpt));
        $this->assertLessThan(array_sum($publication->positions()), array_sum($excerpt->positions()));
    }

    private static function below(Publication $publication): int
    {
        return array_sum(array_map(fn($point): int => count($point->children), $publication->contents));
    }

    /** @param  array<string, string|null>  $files */
    private static function pack(Archive $archive, array $files): string
    {
        $zip = new ZipArchive();
        $zip->open($file = tempnam(sys_get_temp_dir(), 'excerpt') . '.epub', ZipArchive::CREATE);
        foreach (['mimetype' => 'application/epub+zip', ...$files] as $name => $bytes) {
            $zip->addFromString($name, $bytes ?? $archive->read($name));
            $zip->setCompressionName($name, $name === 'mimetype' ? ZipArchive::CM_STORE : ZipArchive::CM_DEFLATE);
        }
        $zip->close();

        return $file;
    }

    private static function epubcheck(string $file): Process
    {
        $process = new Process(
            [
                'node',
                dirname(__DIR__, 2) . '/node_modules/@likecoin/epubcheck-ts/bin/epubcheck.js',
                $file,
                '--fail-on-warnings',
                '--warn',
            ],
            timeout: 60,
        );
        $process->start();

        return $process;
    }
}
