<?php

declare(strict_types=1);

namespace App\Reading\Publications;

use App\Models\PartSound;
use App\Models\Publication;
use FigPorch\Core\Reading\Media\Sound;
use Illuminate\Support\Facades\DB;

/**
 * Listens to the parts of sound and video that were taken in: how loud they are, where they are silent; and takes a
 * picture from the beginning of a film. That takes minutes for a long one, so nobody waits for it.
 */
final class MeasureMedia
{
    public const PICTURE = 'picture.jpg';

    public function __construct(private readonly Ffmpeg $tools) {}

    /** Whether there is a picture of a film that anyone may see. */
    public static function hasPicture(Publication $publication): bool
    {
        return $publication->excerpt_sizes !== [] &&
            is_file(storage_path("publications/{$publication->sha256}/" . self::PICTURE));
    }

    public function __invoke(Publication $publication): void
    {
        $home = storage_path("publications/{$publication->sha256}");
        $rows = [];
        foreach ($publication->parts ?? [] as $part) {
            $sound = Sound::read($this->tools->listen("{$home}/whole/{$part['path']}"));
            $rows[] = [
                'sha256' => $publication->sha256,
                'path' => $part['path'],
                'loudness' => $sound->loudness?->integrated,
                'peak' => $sound->loudness?->peak,
                'silences' => json_encode($sound->silences, JSON_THROW_ON_ERROR),
            ];
        }
        // From what anyone may see.
        $first = $publication->excerpt_parts[0] ?? null;
        if ($first !== null && str_starts_with($first['type'], 'video/')) {
            $this->tools->picture("{$home}/excerpt/{$first['path']}", "{$home}/" . self::PICTURE);
        }
        DB::transaction(function () use ($publication, $rows): void {
            PartSound::query()->where('sha256', $publication->sha256)->delete();
            PartSound::query()->insert($rows);
        });
    }
}
