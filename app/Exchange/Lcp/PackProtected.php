<?php

declare(strict_types=1);

namespace App\Exchange\Lcp;

use App\Models\Loan;
use App\Models\ProtectedFile;
use App\Models\Publication;
use App\Reading\Prepared\FileMaker;
use Carbon\CarbonImmutable;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Exchange\Lcp\EpubEncryption;
use FigPorch\Core\Exchange\Lcp\LicenceDocument;
use FigPorch\Core\Exchange\Lcp\PackagedManifest;
use Illuminate\Support\Str;
use LogicException;
use RuntimeException;
use ZipArchive;

/**
 * The protected file of a loan with its licence in it, or the licence alone, by which an application fetches the file.
 */
final class PackProtected implements FileMaker
{
    /** Encrypted in about half a second. */
    private const QUICK_BYTES = 10_000_000;

    /** Type of the protected file, by that of the publication. */
    private const TYPES = [Publication::EPUB => Publication::EPUB, Publication::PDF => 'application/pdf+lcp'];

    private const TYPE_OF_SOUND = 'application/audiobook+lcp';

    public function __construct(
        private readonly ProtectPublication $protect,
        private readonly ProtectLoan $protectLoan,
        private readonly LicenceOfLoan $licence,
    ) {}

    /**
     * What can be had of a title: nothing of video, for which LCP has no form.
     *
     * @return array<string, string> kind => what its name ends with
     */
    public static function kinds(Format $format, string $mediaType): array
    {
        return $format === Format::Video ? [] : self::endings($mediaType);
    }

    /** @return array{protected: string, lcpl: string} */
    public static function endings(string $mediaType): array
    {
        return [
            'protected' => match ($mediaType) {
                Publication::EPUB => '.epub',
                Publication::PDF => '.lcpdf',
                default => '.lcpa',
            },
            'lcpl' => '.lcpl',
        ];
    }

    public static function type(string $mediaType): string
    {
        return self::TYPES[$mediaType] ?? self::TYPE_OF_SOUND;
    }

    /** Of one that is made, whatever file the title has by now. */
    public static function typeOf(ProtectedFile $file): string
    {
        return match (pathinfo((string) $file->path, PATHINFO_EXTENSION)) {
            'epub' => self::TYPES[Publication::EPUB],
            'lcpdf' => self::TYPES[Publication::PDF],
            default => self::TYPE_OF_SOUND,
        };
    }

    public function makes(string $kind): bool
    {
        return $kind === 'protected' || $kind === 'lcpl';
    }

    public function isQuick(Loan $loan, string $kind): bool
    {
        $publication = self::publication($loan);
        $made = $this->protect->made($publication);

        return $made === null
            ? array_sum($publication->sizes) <= self::QUICK_BYTES
            : $kind === 'lcpl' || $made->bytes <= self::QUICK_BYTES;
    }

    public function named(Loan $loan, string $kind): array
    {
        $publication = self::publication($loan);

        return [
            (Str::slug($loan->title->name) ?: "title-{$loan->title_id}") .
            self::endings($publication->media_type)[$kind],
            $kind === 'lcpl' ? LicenceDocument::TYPE : self::type($publication->media_type),
        ];
    }

    public function make(Loan $loan, string $kind, string $to, callable $told): void
    {
        $publication = self::publication($loan);
        $now = CarbonImmutable::now();
        $file = ($this->protect)($loan->title, fn(float $share) => $told(0.9 * $share));
        $protected =
            ($this->protectLoan)($loan, $now) ??
            throw new LogicException("Whoever has loan {$loan->id} has no passphrase.");
        $licence = $this->licence->json($protected, $now);
        if ($kind === 'lcpl') {
            file_put_contents($to, $licence) === strlen($licence) ||
                throw new RuntimeException("Cannot write {$to}: is the disk full?");

            return;
        }
        copy($file->place(), $to) || throw new RuntimeException("Cannot write {$to}: is the disk full?");
        $zip = new ZipArchive();
        $zip->open($to) === true || throw new RuntimeException("Cannot read {$to}.");
        $zip->addFromString(
            $publication->media_type === Publication::EPUB ? EpubEncryption::LICENCE : PackagedManifest::LICENCE,
            $licence,
        );
        $zip->close() || throw new RuntimeException("Cannot write {$to}: is the disk full?");
    }

    private static function publication(Loan $loan): Publication
    {
        return $loan->title->publication ?? throw new RuntimeException("Title {$loan->title_id} has no file.");
    }
}
