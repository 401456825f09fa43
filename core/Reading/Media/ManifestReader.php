<?php

declare(strict_types=1);

namespace FigPorch\Core\Reading\Media;

use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Catalogue\PublicationDate;
use FigPorch\Core\Catalogue\SeriesPosition;
use FigPorch\Core\Reading\Archive;
use FigPorch\Core\Reading\Creator;
use FigPorch\Core\Reading\Reason;
use FigPorch\Core\Reading\UnreadablePublication;

/**
 * Reads publication.json in a package (W3C Publication Manifest, Audiobooks, and Lightweight Packaging Format). The
 * manifest's shapes are loose: wherever a text, a person or a file is meant there may be a string, an object or a list
 * of either.
 */
final class ManifestReader
{
    public const FILE = 'publication.json';

    private const LONGEST_JSON = 4_000_000;

    /**
     * schema.org types and profiles, as pub-manifest §4.3 and audiobooks §2 name them, and the formats they are here.
     */
    private const KINDS = [
        'Audiobook' => Format::Audiobook,
        'https://www.w3.org/TR/audiobooks/' => Format::Audiobook,
        'MusicAlbum' => Format::Music,
        'MusicRecording' => Format::Music,
        'Movie' => Format::Video,
        'VideoObject' => Format::Video,
        'TVSeries' => Format::Video,
        'TVEpisode' => Format::Video,
    ];

    /** What each format plays, as far as browsers do: the media type's beginning. */
    private const PLAYS = ['audiobook' => 'audio/', 'music' => 'audio/', 'video' => 'video/'];

    /** Terms of pub-manifest §4.6.5 for those who made it, in our words. */
    private const ROLES = [
        'author' => 'author',
        'readBy' => 'narrator',
        'byArtist' => 'artist',
        'composer' => 'composer',
        'director' => 'director',
        'actor' => 'cast',
        'artist' => 'artist',
        'illustrator' => 'illustrator',
        'translator' => 'translator',
        'editor' => 'editor',
        'creator' => 'author',
        'contributor' => 'contributor',
    ];

    private const TYPES = [
        'mp3' => 'audio/mpeg',
        'm4a' => 'audio/mp4',
        'aac' => 'audio/aac',
        'ogg' => 'audio/ogg',
        'opus' => 'audio/ogg',
        'flac' => 'audio/flac',
        'wav' => 'audio/wav',
        'mp4' => 'video/mp4',
        'webm' => 'video/webm',
        'vtt' => 'text/vtt',
        'jpg' => 'image/jpeg',
        'jpeg' => 'image/jpeg',
        'png' => 'image/png',
        'webp' => 'image/webp',
        'svg' => 'image/svg+xml',
    ];

    /** @param  array<mixed>  $manifest */
    private function __construct(private readonly Archive $archive, private readonly array $manifest) {}

    /** @throws UnreadablePublication */
    public static function read(Archive $archive): MediaPublication
    {
        $json =
            $archive->size(self::FILE) > self::LONGEST_JSON ? null : json_decode($archive->read(self::FILE), true, 64);
        if (!is_array($json) || array_is_list($json)) {
            throw new UnreadablePublication(
                Reason::BadManifest,
                json_last_error() === JSON_ERROR_NONE ? '' : json_last_error_msg(),
            );
        }

        return (new self($archive, $json))->publication();
    }

    private function publication(): MediaPublication
    {
        $title = self::text($this->manifest['name'] ?? null) ?? throw new UnreadablePublication(Reason::NoTitle);
        $format = $this->format();
        $types = [];
        $parts = $this->parts($format, $types);
        $cover = null;
        foreach (self::list($this->manifest['resources'] ?? null) as $resource) {
            $path = $this->file($resource, $types);
            $rel = is_array($resource) ? self::list($resource['rel'] ?? null) : [];
            $cover ??= $path !== null && in_array('cover', $rel, true) ? $path : null;
        }
        $series = self::list($this->manifest['isPartOf'] ?? null)[0] ?? null;

        return new MediaPublication(
            format: $format,
            title: $title,
            subtitle: self::text($this->manifest['alternativeHeadline'] ?? null),
            languages: self::texts($this->manifest['inLanguage'] ?? null),
            creators: $this->creators(),
            identifiers: [
                ...self::texts($this->manifest['id'] ?? null),
                ...self::texts($this->manifest['identifier'] ?? null),
                ...self::texts($this->manifest['isbn'] ?? null),
            ],
            subjects: self::texts($this->manifest['keywords'] ?? null),
            series: self::text($series),
            seriesPosition: is_array($series) ? SeriesPosition::read($series['position'] ?? null) : null,
            description: self::text($this->manifest['description'] ?? null),
            publisher: self::text($this->manifest['publisher'] ?? null),
            date: PublicationDate::read(self::text($this->manifest['datePublished'] ?? null)),
            audience: self::text(
                is_array($this->manifest['audience'] ?? null)
                    ? $this->manifest['audience']['audienceType'] ?? null
                    : $this->manifest['audience'] ?? null,
            ),
            ages: self::text($this->manifest['typicalAgeRange'] ?? null),
            coverPath: $cover,
            accessibility: array_filter(
                array_combine(
                    $terms = [
                        'accessMode',
                        'accessModeSufficient',
                        'accessibilityFeature',
                        'accessibilityHazard',
                        'accessibilitySummary',
                    ],
                    array_map(fn(string $term): array => self::texts($this->manifest[$term] ?? null), $terms),
                ),
            ),
            parts: $parts,
            types: $types,
        );
    }

    private function format(): Format
    {
        foreach (
            [...self::texts($this->manifest['conformsTo'] ?? null), ...self::texts($this->manifest['type'] ?? null)]
            as $kind
        ) {
            if (isset(self::KINDS[$kind])) {
                return self::KINDS[$kind];
            }
        }
        throw new UnreadablePublication(Reason::UnknownKind);
    }

    /**
     * @param  array<string, string>  $types
     * @return non-empty-list<Part>
     */
    private function parts(Format $format, array &$types): array
    {
        $parts = [];
        foreach (self::list($this->manifest['readingOrder'] ?? null) as $n => $item) {
            $path =
                $this->file($item, $types) ??
                throw new UnreadablePublication(Reason::MissingFile, (string) json_encode($item));
            if (!str_starts_with($types[$path], self::PLAYS[$format->value] ?? '')) {
                throw new UnreadablePublication(Reason::NotPlayable, "{$path}, {$types[$path]}");
            }
            $captions = [];
            foreach (self::list(is_array($item) ? $item['alternate'] ?? null : null) as $other) {
                $of = $this->file($other, $types);
                if ($of !== null && $types[$of] === 'text/vtt') {
                    $language = is_array($other) ? self::text($other['inLanguage'] ?? null) ?? 'und' : 'und';
                    $captions[] = new Captions(
                        $of,
                        $language,
                        (is_array($other) ? self::text($other['name'] ?? null) : null) ?? $language,
                    );
                }
            }
            $parts[] = new Part(
                $path,
                $types[$path],
                (is_array($item) ? self::text($item['name'] ?? null) : null) ?? (string) ($n + 1),
                is_array($item) ? self::seconds($item['duration'] ?? null) : null,
                $captions,
            );
        }

        return $parts !== [] ? $parts : throw new UnreadablePublication(Reason::NoSpine);
    }

    /**
     * The path in the package that a link names, its type noted; null where there is no such file.
     *
     * @param  array<string, string>  $types
     */
    private function file(mixed $link, array &$types): ?string
    {
        $url = is_array($link) ? $link['url'] ?? ($link['href'] ?? null) : $link;
        $path = is_string($url) ? rawurldecode((string) preg_replace('/[#?].*$/', '', $url)) : '';
        if (!$this->archive->has($path)) {
            return null;
        }
        $said = is_array($link) ? $link['encodingFormat'] ?? null : null;
        $types[$path] =
            is_string($said) && preg_match('~^[a-z]+/[a-z0-9.+-]+$~', $said) === 1
                ? $said
                : self::TYPES[strtolower(pathinfo($path, PATHINFO_EXTENSION))] ?? 'application/octet-stream';

        return $path;
    }

    /** @return list<Creator> */
    private function creators(): array
    {
        $creators = [];
        foreach (self::ROLES as $term => $role) {
            foreach (self::list($this->manifest[$term] ?? null) as $person) {
                $name = self::text($person);
                if ($name !== null) {
                    $sort = is_array($person) ? self::text($person['sortAs'] ?? null) : null;
                    $creators[] = new Creator($name, $sort ?? $name, $role);
                }
            }
        }

        return $creators;
    }

    /** An ISO 8601 duration of days and less, as audiobooks §4 asks for; null for anything else. */
    public static function seconds(mixed $duration): ?float
    {
        if (
            !is_string($duration) ||
            preg_match(
                '/^P(?:(\d+)D)?(?:T(?:(\d+(?:\.\d+)?)H)?(?:(\d+(?:\.\d+)?)M)?(?:(\d+(?:\.\d+)?)S)?)?$/',
                $duration,
                $m,
            ) !== 1 ||
            !preg_match('/\d/', $duration)
        ) {
            return null;
        }

        return 86400 * (float) ($m[1] ?? 0) +
            3600 * (float) ($m[2] ?? 0) +
            60 * (float) ($m[3] ?? 0) +
            (float) ($m[4] ?? 0);
    }

    /** @return list<mixed> */
    private static function list(mixed $value): array
    {
        return $value === null ? [] : (is_array($value) && array_is_list($value) ? $value : [$value]);
    }

    /** @return list<string> */
    private static function texts(mixed $value): array
    {
        return array_values(
            array_filter(array_map(self::text(...), self::list($value)), fn(?string $text): bool => $text !== null),
        );
    }

    /** A text, or the text of an object's value or name; of several the first. */
    private static function text(mixed $value): ?string
    {
        if (is_array($value)) {
            return array_is_list($value)
                ? ($value === []
                    ? null
                    : self::text($value[0]))
                : self::text($value['value'] ?? ($value['name'] ?? null));
        }
        $text =
            is_string($value) || is_int($value) || is_float($value)
                ? trim((string) preg_replace('/[\x00-\x1f\x7f]+/', ' ', (string) $value))
                : '';

        return $text === '' ? null : $text;
    }
}
