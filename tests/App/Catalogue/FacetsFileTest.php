<?php

declare(strict_types=1);

namespace Tests\App\Catalogue;

use App\Catalogue\BitmapIndex\FacetsFile;
use App\Catalogue\BitmapIndex\MappedFile;
use FigPorch\Core\Catalogue\TitleSet;
use PHPUnit\Framework\TestCase;

/** Titles are counted by what each has, however far apart their numbers lie. */
final class FacetsFileTest extends TestCase
{
    public function test_what_some_titles_have_is_counted_by_kind_and_value(): void
    {
        $has = [
            'format:ebook' => [0, 65_535, 65_536, 200_000],
            'format:music' => [7, 131_072],
            'year:1999' => [65_536, 131_072],
            'subject:5' => [],
        ];
        $path = (string) tempnam(sys_get_temp_dir(), 'titles');
        $bytes = FacetsFile::bytes(array_map(TitleSet::of(...), array_values($has)));
        file_put_contents($path, $bytes);
        $mapped = MappedFile::of($path, strlen($bytes));
        $this->assertNotNull($mapped);
        $file = new FacetsFile($mapped, array_keys($has));

        $this->assertSame([], $file->count(TitleSet::none()));
        $this->assertSame(
            [],
            $file->count(TitleSet::of([1, 199_999, 200_001, 4_000_000_000])),
            'titles that have nothing, or came later',
        );
        $this->assertSame(['format' => ['ebook' => 1]], $file->count(TitleSet::of([200_000])));
        $this->assertEquals(
            ['format' => ['ebook' => 2, 'music' => 2], 'year' => [1999 => 2]],
            $file->count(TitleSet::of([0, 7, 65_536, 131_072])),
        );
        $this->assertEquals(
            ['format' => ['ebook' => 4, 'music' => 2], 'year' => [1999 => 2]],
            $file->count(TitleSet::of(range(0, 200_000))),
        );
        unlink($path);
    }

    public function test_no_titles_at_all_are_no_fault(): void
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'titles');
        file_put_contents($path, FacetsFile::bytes([]));
        $mapped = MappedFile::of($path, (int) filesize($path));
        $this->assertNotNull($mapped);
        $this->assertSame([], (new FacetsFile($mapped, []))->count(TitleSet::of([0, 1])));
        unlink($path);
    }

    public function test_a_file_that_lost_its_end_is_not_read(): void
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'titles');
        file_put_contents($path, 'short');
        $this->assertNull(MappedFile::of($path, 6));
        $this->assertNull(MappedFile::of("{$path}-not-there", 6));
        unlink($path);
    }
}
