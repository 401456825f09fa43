<?php

declare(strict_types=1);

namespace Tests\App\Catalogue;

use App\Models\Licence;
use App\Models\Publication;
use App\Models\Title;
use FigPorch\Core\Catalogue\Audience;
use FigPorch\Demo\Book;
use FigPorch\Demo\DemoEbooks;
use Illuminate\Filesystem\Filesystem;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Symfony\Component\Process\Process;
use Tests\App\ImportsBooks;
use Tests\App\TestCase;
use ZipArchive;

final class ImportTest extends TestCase
{
    use ImportsBooks;

    private const CONTAINER =
        '<container version="1.0" ' .
        'xmlns="urn:oasis:names:tc:opendocument:xmlns:container"><rootfiles><rootfile full-path="p.opf" ' .
        'media-type="application/oebps-package+xml"/></rootfiles></container>';

    private const PAGE =
        '<html xmlns="http://www.w3.org/1999/xhtml"><head><title>T</title></head><body><p>Text ' .
        '&nbsp; of the caf&eacute;.</p></body></html>';

    /** @param  array<string, string>  $files */
    private static function zip(array $files): string
    {
        $file = tempnam(sys_get_temp_dir(), 'epub') . '.epub';
        $zip = new ZipArchive();
        $zip->open($file, ZipArchive::CREATE | ZipArchive::OVERWRITE);
        foreach (['mimetype' => 'application/epub+zip', ...$files] as $name => $bytes) {
            $zip->addFromString($name, $bytes);
        }
        $zip->close();

        return $file;
    }

    private static function package(
        string $metadata,
        string $spine = '<itemref idref="a"/>',
        string $version = '3.0',
    ): string {
        return '<package xmlns="http://www.idpf.org/2007/opf" ' .
            "version=\"{$version}\" unique-identifier=\"id\"><metadata " .
            'xmlns:dc="http://purl.org/dc/elements/1.1/" ' .
            "xmlns:opf=\"http://www.idpf.org/2007/opf\">{$metadata}</metadata>" .
            '<manifest><item id="a" href="a.xhtml" media-type="application/xhtml+xml"/><item id="n" ' .
            'href="toc.ncx" media-type="application/x-dtbncx+xml"/></manifest><spine ' .
            "toc=\"n\">{$spine}</spine></package>";
    }

    /** @param  array<string, string>  $files */
    private static function book(array $files = [], string $metadata = '<dc:title>A Book</dc:title>'): string
    {
        return self::zip([
            'META-INF/container.xml' => self::CONTAINER,
            'p.opf' => self::package($metadata),
            'a.xhtml' => self::PAGE,
            ...$files,
        ]);
    }

    /** @return iterable<string, array{string, string}> file, words of the refusal */
    private static function refused(): iterable
    {
        $noise = tempnam(sys_get_temp_dir(), 'noise');
        file_put_contents($noise, random_bytes(5000));
        yield 'not an archive' => [$noise, 'not a ZIP archive'];
        $cut = self::book();
        file_put_contents($cut, substr((string) file_get_contents($cut), 0, -40));
        yield 'cut short' => [$cut, 'not a ZIP archive'];
        yield 'a missing file' => ['/nowhere/at-all.epub', 'no such file'];
        yield 'no container' => [self::zip(['p.opf' => self::package('')]), 'container.xml'];
        yield 'a container that names nothing' => [
            self::zip(['META-INF/container.xml' => self::CONTAINER]),
            'container.xml',
        ];
        yield 'a bomb' => [self::book(['big.txt' => str_repeat('0', 60_000_000)]), 'unpacks to more'];
        yield 'a path that climbs out' => [self::book(['../../out.txt' => 'x']), 'leads out'];
        yield 'an absolute path' => [self::book(['/etc/cron.d/x' => 'x']), 'leads out'];
        yield 'a path with backslashes' => [self::book(['..\\..\\x' => 'x']), 'leads out'];
        $entity =
            '<!DOCTYPE package [<!ENTITY x SYSTEM "file:///etc/passwd">]>' . self::package('<dc:title>&x;</dc:title>');
        yield 'an external entity in the package' => [self::book(['p.opf' => $entity]), 'entities'];
        yield 'the same in UTF-16' => [
            self::book(['p.opf' => "\xFF\xFE" . mb_convert_encoding($entity, 'UTF-16LE', 'UTF-8')]),
            'entities',
        ];
        yield 'an external entity in a page' => [
            self::book(['a.xhtml' => '<!DOCTYPE html [<!ENTITY x SYSTEM "file:///etc/passwd">]>' . self::PAGE]),
            'entities',
        ];
        yield 'entities that multiply' => [
            self::book([
                'p.opf' =>
                    '<!DOCTYPE p [<!ENTITY a "aaaa"><!ENTITY b "&a;&a;">]>' . self::package('<dc:title>&b;</dc:title>'),
            ]),
            'entities',
        ];
        yield 'encryption' => [
            self::book([
                'META-INF/encryption.xml' =>
                    '<encryption xmlns="urn:oasis:names:tc:opendocument:xmlns:container"><EncryptedData ' .
                    'xmlns="http://www.w3.org/2001/04/xmlenc#"><EncryptionMethod ' .
                    'Algorithm="http://www.w3.org/2001/04/xmlenc#aes256-cbc"/></EncryptedData></encryption>',
            ]),
            'is encrypted',
        ];
        yield 'XML that is none' => [self::book(['p.opf' => '<package><metadata>']), 'XML'];
        yield 'no title' => [self::book(metadata: '<dc:language>en</dc:language>'), 'no title'];
        yield 'no reading order' => [
            self::book(['p.opf' => self::package('<dc:title>T</dc:title>', '')]),
            'no reading order',
        ];
        yield 'a page that is not there' => [
            self::book(['p.opf' => self::package('<dc:title>T</dc:title>', '<itemref idref="gone"/>')]),
            'lacks a file',
        ];
        $link = self::book(['l' => '/etc/passwd']);
        $zip = new ZipArchive();
        $zip->open($link);
        $zip->setExternalAttributesName('l', ZipArchive::OPSYS_UNIX, 0o120777 << 16);
        $zip->close();
        yield 'a symbolic link' => [$link, 'leads out'];
        $locked = self::book();
        $zip = new ZipArchive();
        $zip->open($locked);
        $zip->setEncryptionName('a.xhtml', ZipArchive::EM_AES_256, 'secret');
        $zip->close();
        $attributes = implode(' ', array_map(fn(int $n): string => "a{$n}='>'", range(1, 60_000)));
        yield 'thousands of attributes' => [
            self::book(['a.xhtml' => str_replace('<p>', "<p {$attributes}>", self::PAGE)]),
            'XML that cannot be read',
        ];
        $wrongSums = self::book(['b.txt' => ($text = bin2hex(random_bytes(50)))]);
        file_put_contents(
            $wrongSums,
            str_replace(pack('V', crc32($text)), 'sums', (string) file_get_contents($wrongSums)),
        );
        yield 'sums that do not agree' => [$wrongSums, 'not a ZIP archive'];
        yield 'a file that is a folder too' => [self::book(['a' => 'x', 'a/b' => 'x']), 'cannot be stored'];
        yield 'a name of 300 letters' => [self::book([str_repeat('n', 300) => 'x']), 'cannot be stored'];
        yield 'a name of 100 letters of three bytes' => [
            self::book([str_repeat('文', 100) => 'x']),
            'cannot be stored',
        ];
        yield '3,000 folders deep' => [self::book([str_repeat('d/', 3000) . 'x' => 'x']), 'cannot be stored'];
        // Each is small and harmless by itself.
        $many = array_map(fn(int $n): string => str_repeat('0', 990_000), range(1, 80));
        yield 'many that unpack to much' => [
            self::book(array_combine(array_map(fn(int $n): string => "t{$n}.txt", range(1, 80)), $many)),
            'unpacks to more',
        ];
        yield 'a locked archive' => [$locked, 'is encrypted'];
    }

    public function test_bad_files_are_refused_with_the_reason_and_what_comes_after_them_goes_on(): void
    {
        $this->library();
        $bad = iterator_to_array(self::refused());
        Artisan::call('catalogue:import', [
            'files' => [...array_column($bad, 0), self::book()],
            '--library' => 'saltmere',
        ]);
        $lines = explode("\n", trim(Artisan::output()));
        foreach (array_keys($bad) as $n => $what) {
            $this->assertStringContainsString('refused: ', $lines[$n], $what);
            $this->assertStringContainsString($bad[$what][1], $lines[$n], $what);
        }
        $this->assertSame('1 taken in, 0 known already, ' . count($bad) . ' refused.', end($lines));

        $this->assertSame(['A Book'], Title::query()->pluck('name')->all());
        $this->assertSame([], glob(storage_path('publications/*.????????')), 'nothing half made is left');
    }

    public function test_a_position_that_no_series_has_is_left_out(): void
    {
        $this->library();
        $at = fn(string $position): string => self::book(
            metadata: '<dc:title>A Book</dc:title><meta property="belongs-to-collection" id="s">Coast</meta>' .
                '<meta refines="#s" property="collection-type">series</meta>' .
                "<meta refines=\"#s\" property=\"group-position\">{$position}</meta>",
        );
        $this->artisan('catalogue:import', [
            'files' => [$at('1e300'), $at('-1e300'), $at('100000'), $at('2.5')],
            '--library' => 'saltmere',
        ])->assertSuccessful();
        $this->assertSame(
            [null, null, null, 2.5],
            Title::query()
                ->orderBy('id')
                ->pluck('series_position')
                ->map(fn(mixed $at): ?float => $at === null ? null : (float) $at)
                ->all(),
        );
    }

    public function test_odd_names_of_files_and_titles_stand_as_they_are(): void
    {
        $this->library();
        $here = (string) getcwd();
        chdir(sys_get_temp_dir());
        rename(self::book(metadata: '<dc:title>A &lt;comment&gt; on it</dc:title>'), '-odd.epub');
        try {
            $this->assertSame(
                0,
                Artisan::call('catalogue:import', ['files' => ['-odd.epub'], '--library' => 'saltmere']),
            );
            $this->assertStringContainsString('-odd.epub  taken in: “A <comment> on it”', Artisan::output());
        } finally {
            unlink('-odd.epub');
            chdir($here);
        }
    }

    public function test_imports_of_one_book_at_the_same_moment_make_one_title(): void
    {
        $this->library();
        $file = $this->bookFile($this->fullBook());
        config(['database.connections.other' => config('database.connections.pgsql')]);
        DB::connection('other')->select('select pg_advisory_lock(hashtextextended(?, 5))', [
            hash_file('sha256', $file),
        ]);
        $imports = array_map(function () use ($file): Process {
            $import = new Process([
                PHP_BINARY,
                base_path('artisan'),
                'catalogue:import',
                $file,
                '--library=saltmere',
                '--licence=one_copy_one_user',
            ]);
            $import->start();

            return $import;
        }, range(1, 4));
        $waiting = fn(): int => $this->advisoryLocks('not granted');
        for ($i = 0; $i < 300 && $waiting() < 4; $i++) {
            usleep(50_000);
        }
        $this->assertSame(4, $waiting(), 'all of them have come to the door');
        DB::purge('other');
        $said = '';
        foreach ($imports as $import) {
            $this->assertSame(0, $import->wait(), $import->getOutput() . $import->getErrorOutput());
            $said .= $import->getOutput();
        }
        $this->assertSame([1, 3], [substr_count($said, '1 taken in'), substr_count($said, '1 known already')]);
        $this->assertSame([1, 1], [Title::query()->count(), Licence::query()->count()]);
        $this->assertSame([], glob(storage_path('publications/*.????????')));
    }

    public function test_what_an_import_left_half_done_is_tidied_the_next_night(): void
    {
        $this->library();
        $this->importBook();
        $sha256 = (string) DB::table('publications')->value('sha256');
        $half = storage_path("publications/{$sha256}.0123abcd");
        $nobodys = storage_path('publications/' . str_repeat('ab', 32));
        $young = storage_path("publications/{$sha256}.4567abcd");
        foreach ([$half, $nobodys, $young] as $folder) {
            is_dir($folder) || mkdir($folder);
            file_put_contents("{$folder}/part", 'x');
        }
        $other = storage_path('publications/readme.txt');
        file_put_contents($other, 'x');
        foreach ([$half, $nobodys, $other, storage_path("publications/{$sha256}")] as $path) {
            touch($path, time() - 90_000);
        }
        $this->artisan('storage:tidy')->assertSuccessful();
        $this->assertDirectoryDoesNotExist($half);
        $this->assertDirectoryDoesNotExist($nobodys);
        $this->assertDirectoryExists($young, 'it may still be at work');
        $this->assertDirectoryExists(storage_path("publications/{$sha256}"));
        $this->assertFileExists($other, 'it is none of ours');
        unlink($other);
        (new Filesystem())->deleteDirectory($young);
    }

    public function test_a_file_that_needs_too_much_is_refused_and_the_next_one_goes_on(): void
    {
        $this->library();
        $words = bin2hex(random_bytes(20_000_000));
        $large = self::book(['a.xhtml' => str_replace('Text', $words, self::PAGE)]);
        config(['figporch.import.memory' => '64M']);
        $this->artisan('catalogue:import', ['files' => [$large, self::book()], '--library' => 'saltmere'])
            ->expectsOutputToContain('refused: it needs more memory than the 64M')
            ->expectsOutputToContain('1 taken in, 0 known already, 1 refused.')
            ->assertFailed();
        config(['figporch.import.seconds' => 0.01]);
        $this->artisan('catalogue:import', ['files' => [self::book()], '--library' => 'saltmere'])
            ->expectsOutputToContain('refused: it was stopped')
            ->assertFailed();
        $this->assertSame(1, Title::query()->count());
    }

    public function test_the_same_file_twice_is_one_title(): void
    {
        $this->library();
        $this->library('larkspur');
        $file = self::book();
        $this->artisan('catalogue:import', ['files' => [$file, $file], '--library' => 'saltmere'])
            ->expectsOutputToContain('1 taken in, 1 known already')
            ->assertSuccessful();
        $this->artisan('catalogue:import', [
            'files' => [$file],
            '--library' => 'larkspur',
            '--licence' => 'metered_by_loans:copies=2,loans=26,ends=2027-06-30',
        ])->assertSuccessful();

        $this->assertSame([1, 2], [Title::query()->count(), Licence::query()->count()]);
        $licence = Licence::query()->latest('id')->firstOrFail();
        $this->assertSame(
            [2, 2, 26, '2027-06-30'],
            [$licence->copies, $licence->copies_free, $licence->loans_left, $licence->ends_at?->format('Y-m-d')],
        );
    }

    public function test_a_record_is_read_whole_from_epub_3(): void
    {
        $title = $this->importBook($this->fullBook())->load('contributors', 'subjects', 'series', 'publication');

        $this->assertSame('The Long Reef', $title->name);
        $this->assertSame(
            [['Lior Castellane', 'author', 'Castellane, Lior'], ['Juno Pike', 'illustrator', 'Pike, Juno']],
            $title->contributors->map(fn($c) => [$c->name, $c->pivot->role, $c->sort_name])->all(),
        );
        $this->assertSame(['Islands', 'Mystery'], $title->subjects->pluck('name')->all());
        $this->assertSame(['Reef Books', '2.00'], [$title->series?->name, $title->series_position]);
        $this->assertSame(
            ['es', 'Gullwing Press', '2021-03', Audience::Teen],
            [$title->language, $title->publisher, $title->published, $title->audience],
        );
        $this->assertSame("One.\n\nTwo & three.", $title->description);
        $this->assertSame(DemoEbooks::isbn(77), $title->isbn);
        $this->assertSame(['textual'], $title->accessibility['accessMode']);
        $this->assertStringEndsWith('cover.svg', (string) $title->cover_file);
        $this->assertSame(2, $title->extent, 'pages of its own page list');
        $this->assertTrue($title->publication?->right_to_left);
    }

    public function test_a_record_is_read_from_epub_2(): void
    {
        $metadata =
            '<dc:title>Old Book</dc:title><dc:creator opf:role="aut" opf:file-as="Venn, Odalys">Odalys ' .
            'Venn</dc:creator><dc:contributor opf:role="trl">Juno Pike</dc:contributor>' .
            '<dc:date opf:event="modification">2020-01-01</dc:date><dc:date ' .
            'opf:event="publication">1999</dc:date><dc:identifier id="id" ' .
            'opf:scheme="ISBN">978-0-571-08989-5</dc:identifier><dc:language>fr</dc:language>';
        $ncx =
            '<ncx ' .
            'xmlns="http://www.daisy.org/z3986/2005/ncx/"><navMap><navPoint><navLabel><text>One</text></navLabel><content ' .
            'src="a.xhtml"/></navPoint></navMap></ncx>';
        $file = self::zip([
            'META-INF/container.xml' => self::CONTAINER,
            'p.opf' => self::package($metadata, version: '2.0'),
            'a.xhtml' => self::PAGE,
            'toc.ncx' => $ncx,
        ]);
        $this->library();
        $this->artisan('catalogue:import', ['files' => [$file], '--library' => 'saltmere'])->assertSuccessful();
        $title = Title::query()->with('contributors')->sole();

        $this->assertSame(
            ['Old Book', '1999', '9780571089895', 'fr'],
            [$title->name, $title->published, $title->isbn, $title->language],
        );
        $this->assertSame(
            [['Odalys Venn', 'author'], ['Juno Pike', 'translator']],
            $title->contributors->map(fn($c) => [$c->name, $c->pivot->role])->all(),
        );
    }

    public function test_a_newer_file_of_the_same_isbn_takes_the_place_of_the_old(): void
    {
        $first = $this->importBook($this->fullBook());
        $old = storage_path('publications/' . Publication::query()->value('sha256'));
        touch($old, time() - 90_000);
        $first->update(['own_cover' => 'covers/ours.jpg', 'cover_file' => 'covers/ours.jpg']);
        $second = $this->importBook($this->fullBook('The Long Reef, mended'));
        $this->assertSame('covers/ours.jpg', $second->refresh()->cover_file, 'the word of staff stands');
        $this->assertStringEndsWith('cover.svg', (string) $second->file_cover);
        $this->artisan('storage:tidy')->assertSuccessful();
        $this->assertDirectoryExists($old, 'a backup that is being made may name it');
        touch($old, time() - 90_000);
        Artisan::call('storage:tidy');
        $said = Artisan::output();
        clearstatcache();
        $this->assertDirectoryDoesNotExist(
            $old,
            sprintf(
                '%s Publications: %s, and in their folder %s; changed %d s ago; %s.',
                $said,
                Publication::query()->pluck('sha256')->implode(' '),
                implode(' ', @scandir(dirname($old)) ?: []),
                time() - (int) @filemtime($old),
                implode(' ', @scandir($old) ?: []),
            ),
        );

        $this->assertTrue($first->is($second));
        $this->assertSame(['The Long Reef, mended'], Title::query()->pluck('name')->all());
        $this->assertSame(1, Publication::query()->count());
    }

    public function test_the_excerpt_is_the_front_of_the_book_and_no_more(): void
    {
        $publication = $this->importBook()->publication()->firstOrFail();
        $this->assertSame(
            ['book/cover.xhtml', 'book/title.xhtml', 'book/chapter-01.xhtml'],
            array_column($publication->excerpt_positions, 0),
        );
        $folder = storage_path("publications/{$publication->sha256}/excerpt");
        $text = (string) file_get_contents("{$folder}/book/chapter-01.xhtml");
        $this->assertStringContainsString('The ledger came to Ana', $text);
        $this->assertStringNotContainsString('which made Mr Pellam close his door', $text, 'cut where the share ends');
        $this->assertStringNotContainsString('chapter-05', (string) file_get_contents("{$folder}/book/package.opf"));
        $this->assertStringNotContainsString('chapter-05', (string) file_get_contents("{$folder}/book/nav.xhtml"));
        $this->assertFileDoesNotExist("{$folder}/book/chapter-02.xhtml");
    }

    public function test_named_entities_survive_in_an_excerpt(): void
    {
        $long = str_replace('<p>', '<p>' . str_repeat('Caf&eacute; and sea. ', 400) . '</p><p>', self::PAGE);
        $this->library();
        $this->artisan('catalogue:import', [
            'files' => [self::book(['a.xhtml' => $long])],
            '--library' => 'saltmere',
        ])->assertSuccessful();
        $publication = Publication::query()->sole();
        $cut = (string) file_get_contents(storage_path("publications/{$publication->sha256}/excerpt/a.xhtml"));

        $this->assertStringContainsString('Café and sea', html_entity_decode($cut));
        $this->assertLessThan(strlen($long) / 4, strlen($cut));
    }

    public function test_wrong_options_say_what_would_be_right(): void
    {
        $this->library();
        $file = self::book();
        $this->artisan('catalogue:import', ['files' => [$file]])
            ->expectsOutputToContain('There are: saltmere')
            ->assertExitCode(2);
        $this->artisan('catalogue:import', ['files' => [$file], '--library' => 'saltmere', '--licence' => 'forever'])
            ->expectsOutputToContain('Known: one_copy_one_user')
            ->assertExitCode(2);
        $this->artisan('catalogue:import', [
            'files' => [$file],
            '--library' => 'saltmere',
            '--licence' => 'metered_by_time:copies=1',
        ])
            ->expectsOutputToContain('ends=YYYY-MM-DD')
            ->assertExitCode(2);
        $this->artisan('catalogue:import', ['files' => [$file], '--library' => 'saltmere', '--audience' => 'dogs'])
            ->expectsOutputToContain('child, teen or adult')
            ->assertExitCode(2);
        $this->assertSame(0, Title::query()->count());
    }

    private function fullBook(string $title = 'The Long Reef'): Book
    {
        return new Book(
            title: $title,
            creators: [
                ['name' => 'Lior Castellane', 'sort' => 'Castellane, Lior', 'role' => 'aut'],
                ['name' => 'Juno Pike', 'sort' => 'Pike, Juno', 'role' => 'ill'],
            ],
            isbn: DemoEbooks::isbn(77),
            chapters: [
                [
                    'title' => 'One',
                    'html' => '<h1>One</h1>' . str_repeat('<p>' . str_repeat('Words of the sea. ', 50) . '</p>', 4),
                ],
            ],
            description: '<p>One.</p><p>Two &amp; <b>three</b>.</p>',
            publisher: 'Gullwing Press',
            published: '2021-03',
            subjects: ['Mystery', 'Islands'],
            language: 'es',
            audience: 'teen',
            series: 'Reef Books',
            seriesPosition: 2,
            cover: '<svg xmlns="http://www.w3.org/2000/svg"/>',
            rightToLeft: true,
            withPages: true,
        );
    }
}
