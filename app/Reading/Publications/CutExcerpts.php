<?php

declare(strict_types=1);

namespace App\Reading\Publications;

use App\Models\Publication;
use FigPorch\Core\Reading\Archive;
use FigPorch\Core\Reading\Epub\Excerpt;
use FigPorch\Core\Reading\Epub\PackageReader;
use FigPorch\Core\Reading\UnreadablePublication;
use Illuminate\Filesystem\Filesystem;
use RuntimeException;
use ZipArchive;

/** Cuts what anyone may have of a publication anew, from the whole that is stored: by the rules of today. */
final class CutExcerpts
{
    public function __construct(
        private readonly StoreFiles $storeFiles,
        private readonly Poppler $poppler,
        private readonly Filesystem $files,
    ) {}

    /** @return bool whether it is of a kind of which excerpts are cut here; those of sound and film stay */
    public function __invoke(Publication $publication): bool
    {
        $home = storage_path("publications/{$publication->sha256}");
        $making = "{$home}." . bin2hex(random_bytes(4));
        try {
            $cut = match ($publication->media_type) {
                Publication::PDF => $this->pdf($publication, $home, $making),
                Publication::EPUB => $this->epub($publication, $home, $making),
                default => null,
            };
            if ($cut === null) {
                return false;
            }
            // Nobody is given a file of the old one from here on; then the new one is put in its place.
            $publication->update(['excerpt_sizes' => [], 'excerpt_positions' => []]);
            $this->files->deleteDirectory("{$home}/excerpt");
            if ($cut['excerpt_sizes'] !== [] && !rename("{$making}/excerpt", "{$home}/excerpt")) {
                throw new RuntimeException("Cannot write {$home}: is the disk full?");
            }
            $publication->update($cut);

            return true;
        } finally {
            $this->files->deleteDirectory($making);
        }
    }

    /** @return array{excerpt_sizes: array<string, int>, excerpt_positions: list<array{string, int}>} */
    private function pdf(Publication $publication, string $home, string $making): array
    {
        $front = UnpackPdf::front($publication->positions[0][1] ?? 0);
        if ($front === 0) {
            return ['excerpt_sizes' => [], 'excerpt_positions' => []];
        }
        $to = "{$making}/excerpt/" . UnpackPdf::NAME;
        $this->poppler->cut("{$home}/whole/" . UnpackPdf::NAME, 1, $front, $to);

        return [
            'excerpt_sizes' => [UnpackPdf::NAME => (int) filesize($to)],
            'excerpt_positions' => [[UnpackPdf::NAME, $front]],
        ];
    }

    /**
     * @return array{excerpt_sizes: array<string, int>, excerpt_positions: list<array{string, int}>}
     *
     * @throws UnreadablePublication
     */
    private function epub(Publication $publication, string $home, string $making): array
    {
        $this->files->ensureDirectoryExists($making);
        $zip = new ZipArchive();
        $zip->open("{$making}/whole.epub", ZipArchive::CREATE);
        foreach (array_keys($publication->sizes) as $path) {
            $zip->addFile("{$home}/whole/{$path}", (string) $path);
        }
        $zip->close() || throw new RuntimeException("Cannot write {$making}: is the disk full?");
        $archive = new Archive("{$making}/whole.epub");
        $excerpt = Excerpt::of($archive, PackageReader::read($archive), (float) config('figporch.excerpt_share'));
        $sizes = $this->storeFiles->write($making, $archive, $excerpt);

        return [
            'excerpt_sizes' => $sizes,
            'excerpt_positions' => array_values(
                array_filter($publication->positions, fn(array $of): bool => isset($sizes[$of[0]])),
            ),
        ];
    }
}
