<?php

declare(strict_types=1);

namespace App\Reading\Publications;

use FigPorch\Core\Catalogue\AgeRange;
use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Catalogue\Record;
use FigPorch\Core\Reading\Archive;
use FigPorch\Core\Reading\Media\ManifestReader;
use FigPorch\Core\Reading\Media\MediaPublication;
use FigPorch\Core\Reading\Media\Part;
use FigPorch\Core\Reading\Media\WebVtt;
use FigPorch\Core\Reading\UnreadablePublication;

/** A package of sound or video (W3C Audiobooks and its relations) as an audiobook, an album or a video. */
final class UnpackMedia
{
    public function __construct(private readonly StoreFiles $storeFiles, private readonly Ffmpeg $tools) {}

    /** @throws UnreadablePublication */
    public function __invoke(Archive $archive, string $sha256, ?Audience $audience): UnpackedPublication
    {
        $media = ManifestReader::read($archive);
        $parts = $excerpt = [];
        $stored = $this->storeFiles->store($sha256, $archive, $media->coverPath, $media->types, function (
            string $folder,
        ) use ($archive, $media, &$parts, &$excerpt): array {
            $parts = array_map(
                fn(Part $part): Part => $part->lasting(
                    $this->tools->seconds(
                        "{$folder}/whole/{$part->path}",
                        $media->format === Format::Video ? 'video' : 'audio',
                    ),
                ),
                $media->parts,
            );
            $excerpt = $this->beginning($parts);

            return $this->cut($folder, $archive, $excerpt);
        });
        $seconds = array_sum(array_map(fn(Part $part): float => (float) $part->seconds, $parts));

        return new UnpackedPublication(
            $this->record($media, $sha256, $audience, $seconds),
            [
                'media_type' => 'application/lpf+zip',
                'fixed_layout' => false,
                'right_to_left' => false,
                'sizes' => $stored['sizes'],
                'types' => $media->types,
                'parts' => array_map(fn(Part $part): array => $part->toArray(), $parts),
                'positions' => [],
                'contents' =>
                    count($parts) === 1
                        ? []
                        : array_map(
                            fn(Part $part, int $n): array => [0, mb_substr($part->name, 0, 300), $n],
                            $parts,
                            array_keys($parts),
                        ),
                'excerpt_sizes' => $stored['excerpt_sizes'],
                'excerpt_parts' => array_map(fn(Part $part): array => $part->toArray(), $excerpt),
                'excerpt_positions' => [],
            ],
            $stored['cover'],
        );
    }

    /**
     * The parts of which the excerpt is made, the last as long as it may be.
     *
     * @param  list<Part>  $parts
     * @return list<Part>
     */
    private function beginning(array $parts): array
    {
        $left =
            (float) config('figporch.excerpt_share') *
            array_sum(array_map(fn(Part $part): float => (float) $part->seconds, $parts));
        $beginning = [];
        foreach ($parts as $part) {
            if ($left <= 0) {
                break;
            }
            $beginning[] = $part->lasting(min($left, (float) $part->seconds));
            $left -= (float) $part->seconds;
        }

        return $beginning;
    }

    /**
     * @param  list<Part>  $excerpt
     * @return array<string, int>
     */
    private function cut(string $folder, Archive $archive, array $excerpt): array
    {
        $sizes = [];
        foreach ($excerpt as $part) {
            $this->tools->cut(
                "{$folder}/whole/{$part->path}",
                (float) $part->seconds,
                "{$folder}/excerpt/{$part->path}",
            );
            $sizes[$part->path] = (int) filesize("{$folder}/excerpt/{$part->path}");
            foreach ($part->captions as $captions) {
                $text = WebVtt::upTo($archive->read($captions->path), (float) $part->seconds);
                $this->storeFiles->put("{$folder}/excerpt/{$captions->path}", $text);
                $sizes[$captions->path] = strlen($text);
            }
        }

        return $sizes;
    }

    private function record(MediaPublication $media, string $sha256, ?Audience $audience, float $seconds): Record
    {
        $ages = AgeRange::parse($media->ages);
        $isMusic = $media->format === Format::Music;

        return new Record(
            key: UnpackedPublication::key($media->identifiers, $sha256),
            format: $media->format,
            name: $media->title,
            contributors: UnpackedPublication::contributors($media->creators),
            extent: $isMusic ? count($media->parts) : (int) round($seconds),
            subtitle: $media->subtitle,
            language: $media->languages[0] ?? null,
            audience: $audience ??
                (Audience::tryFrom((string) $media->audience) ?? ($ages?->audience() ?? Audience::Adult)),
            description: $media->description,
            publisher: $media->publisher,
            published: $media->date,
            identifiers: $media->identifiers,
            subjects: $media->subjects,
            series: $media->series,
            seriesPosition: $media->seriesPosition,
            seconds: $isMusic ? (int) round($seconds) : null,
            accessibility: $media->accessibility,
            ages: $ages,
        );
    }
}
