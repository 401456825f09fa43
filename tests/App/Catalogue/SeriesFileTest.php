<?php

declare(strict_types=1);

namespace Tests\App\Catalogue;

use App\Catalogue\BitmapIndex\MappedFile;
use App\Catalogue\BitmapIndex\SeriesFile;
use FigPorch\Core\Catalogue\TitleSet;
use LogicException;
use PHPUnit\Framework\TestCase;

/** Titles are counted by their series, however far apart their numbers lie. */
final class SeriesFileTest extends TestCase
{
    /**
     * @param  array<int, int>  $series
     * @param  array<int, string>  $names
     */
    private function file(array $series, array $names = []): SeriesFile
    {
        return new SeriesFile(
            ...array_map(
                function (string $bytes): MappedFile {
                    $path = (string) tempnam(sys_get_temp_dir(), 'series');
                    file_put_contents($path, $bytes);
                    $mapped = MappedFile::of($path, strlen($bytes));
                    unlink($path);

                    return $mapped ?? throw new LogicException('It is there.');
                },
                [SeriesFile::bytes($series), MappedFile::ofPieces($names === [] ? 0 : max(array_keys($names)), $names)],
            ),
        );
    }

    public function test_titles_are_counted_by_their_series(): void
    {
        $file = $this->file([1 => 70_000, 2 => 5, 65_536 => 70_000, 200_000 => 5, 200_001 => 2_000_000_000]);
        $this->assertSame([], $file->count(TitleSet::none()));
        $this->assertSame(
            [],
            $file->count(TitleSet::of([0, 3, 199_999, 200_002, 4_000_000_000])),
            'titles of no series, or that came later',
        );
        $this->assertSame([70_000 => 2, 5 => 1], $file->count(TitleSet::of([1, 3, 65_536, 200_000])));
        $this->assertSame([70_000 => 2, 5 => 2, 2_000_000_000 => 1], $file->count(TitleSet::of(range(0, 300_000))));
    }

    public function test_series_have_their_names(): void
    {
        $file = $this->file(
            [],
            $names = [2 => 'Tides', 3 => 'Los faros de la costa', 70_000 => '漁師の歌', 70_004 => ''],
        );
        $this->assertSame($names, array_map($file->name(...), array_combine($keys = array_keys($names), $keys)));
        $this->assertSame(
            ['', '', '', ''],
            array_map($file->name(...), [0, 1, 69_999, 70_005]),
            'those that are not there, or came later',
        );
    }

    public function test_a_catalogue_without_series_is_no_fault(): void
    {
        $this->assertSame([], $this->file([])->count(TitleSet::of([0, 1, 2])));
    }
}
