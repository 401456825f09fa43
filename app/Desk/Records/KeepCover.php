<?php

declare(strict_types=1);

namespace App\Desk\Records;

use App\Desk\Trail\ChangeKind;
use App\Desk\Trail\RecordChange;
use App\Models\StaffMember;
use App\Models\Title;
use App\Reading\Publications\SafePicture;
use DateTimeImmutable;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;

/** A cover that staff send stands before the one in the file, whatever file comes later, until they take it off. */
final class KeepCover
{
    public const MOST_KILOBYTES = 1536;

    /** As covers of files are kept. */
    private const HEIGHT = 640;

    private const WIDEST = 960;

    private const QUALITY = 86;

    public function __construct(private readonly RecordChange $recordChange) {}

    /** @return bool false where it is no picture */
    public function __invoke(StaffMember $by, Title $title, UploadedFile $file, DateTimeImmutable $now): bool
    {
        $picture = SafePicture::draw((string) $file->getContent(), self::HEIGHT, self::WIDEST);
        if ($picture === null) {
            return false;
        }
        // What is transparent is paper.
        $paper = imagecreatetruecolor(imagesx($picture), imagesy($picture));
        imagefill($paper, 0, 0, (int) imagecolorallocate($paper, 255, 255, 255));
        imagecopy($paper, $picture, 0, 0, 0, 0, imagesx($picture), imagesy($picture));
        ob_start();
        imagejpeg($paper, null, self::QUALITY);
        $jpeg = (string) ob_get_clean();
        $name = 'covers/' . hash('sha256', $jpeg) . '.jpg';
        $path = storage_path("publications/{$name}");
        is_dir(dirname($path)) || mkdir(dirname($path), 0o755, true);
        // One that was there is young again: it is not tidied away meanwhile.
        is_file($path) ? touch($path) : file_put_contents($path, $jpeg, LOCK_EX);
        $this->write($by, $title, $name, $now);

        return true;
    }

    public function takeOff(StaffMember $by, Title $title, DateTimeImmutable $now): void
    {
        $title->own_cover === null || $this->write($by, $title, null, $now);
    }

    private function write(StaffMember $by, Title $title, ?string $own, DateTimeImmutable $now): void
    {
        DB::transaction(function () use ($by, $title, $own, $now): void {
            /** @var Title $title as it is now */
            $title = Title::query()->lockForUpdate()->findOrFail($title->id);
            $title->update(['own_cover' => $own, 'cover_file' => $own ?? $title->file_cover]);
            ($this->recordChange)($by, ChangeKind::CoverChanged, "“{$title->name}”", [], $now);
        });
    }
}
