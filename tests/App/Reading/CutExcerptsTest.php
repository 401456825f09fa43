<?php

declare(strict_types=1);

namespace Tests\App\Reading;

use App\Models\Publication;
use App\Models\Title;
use App\Reading\Publications\UnpackPdf;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\File;
use Tests\App\ImportsBooks;
use Tests\App\TestCase;

/** Excerpts that were cut by earlier rules are cut anew from what is stored. */
final class CutExcerptsTest extends TestCase
{
    use ImportsBooks;

    public function test_an_excerpt_that_showed_too_much_shows_its_share_again(): void
    {
        $publication = self::of($this->importBook());
        $folder = storage_path("publications/{$publication->sha256}");
        $before = [$publication->excerpt_sizes, $publication->excerpt_positions];
        $files = self::hashes("{$folder}/excerpt");
        File::deleteDirectory("{$folder}/excerpt");
        File::copyDirectory("{$folder}/whole", "{$folder}/excerpt");
        $publication->update([
            'excerpt_sizes' => $publication->sizes,
            'excerpt_positions' => $publication->positions,
        ]);

        $this->assertSame(0, Artisan::call('catalogue:cut-excerpts'), Artisan::output());

        $publication->refresh();
        $this->assertSame($before, [$publication->excerpt_sizes, $publication->excerpt_positions]);
        $this->assertSame($files, self::hashes("{$folder}/excerpt"));
        $this->assertSame([], glob("{$folder}.*"), 'nothing is left over');
        $this->get("/titles/{$publication->title_id}/excerpt")->assertOk();
    }

    public function test_what_cannot_be_cut_is_not_shown_and_keeps_back_no_other(): void
    {
        $broken = self::of($this->importBook());
        $broken->update(['media_type' => Publication::PDF]);
        File::put(storage_path("publications/{$broken->sha256}/whole/" . UnpackPdf::NAME), 'no PDF');
        $broken->update(['positions' => [[UnpackPdf::NAME, 20]]]);
        $this->assertSame(1, Artisan::call('catalogue:cut-excerpts'));
        $this->assertStringContainsString("Title {$broken->title_id} has no excerpt now", Artisan::output());
        $this->assertSame([], $broken->refresh()->excerpt_sizes);
        $this->get("/titles/{$broken->title_id}/excerpt")->assertNotFound();
    }

    private static function of(Title $title): Publication
    {
        return $title->publication ?? self::fail('The title has a file.');
    }

    /** @return array<string, string> by path */
    private static function hashes(string $folder): array
    {
        $hashes = [];
        foreach (File::allFiles($folder) as $file) {
            $hashes[$file->getRelativePathname()] = (string) md5_file($file->getPathname());
        }
        ksort($hashes);

        return $hashes;
    }
}
