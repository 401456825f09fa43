<?php

declare(strict_types=1);

namespace App\Reading\Publications;

use FigPorch\Core\Reading\Media\Sound;
use FigPorch\Core\Reading\Reason;
use FigPorch\Core\Reading\UnreadablePublication;

/** What ffmpeg does here: it measures sound and video, and cuts beginnings off them without coding them anew. */
final class Ffmpeg
{
    /** Codecs that browsers play without more. */
    private const PLAYED = ['mp3', 'aac', 'opus', 'vorbis', 'flac', 'pcm_s16le', 'h264', 'vp8', 'vp9', 'av1'];

    private const SECONDS_ALLOWED = 300;

    /** Twenty hours of sound, at the pace of a slow machine. */
    private const SECONDS_TO_LISTEN = 1800;

    /** Containers that are what they hold: none of them leads to other files, as a playlist does. */
    private const OPENED = [
        '-protocol_whitelist',
        'file',
        '-format_whitelist',
        'mp3,aac,mov,mp4,m4a,ogg,flac,wav,matroska,webm',
    ];

    /**
     * How long a file plays, in seconds.
     *
     * @param  string  $kind  "audio" or "video": what it must hold
     *
     * @throws UnreadablePublication where no browser plays it
     */
    public function seconds(string $file, string $kind): float
    {
        $found = json_decode(
            $this->run(
                [
                    'ffprobe',
                    '-v',
                    'error',
                    ...self::OPENED,
                    '-show_entries',
                    'format=duration:stream=codec_type,codec_name:stream_disposition=attached_pic',
                    '-of',
                    'json',
                    $file,
                ],
                $file,
            ),
            true,
        );
        $streams = array_filter(
            is_array($found) ? $found['streams'] ?? [] : [],
            fn(array $s): bool => in_array($s['codec_type'] ?? '', ['audio', 'video'], true) &&
                ($s['disposition']['attached_pic'] ?? 0) === 0,
        );
        $seconds = (float) ($found['format']['duration'] ?? 0);
        $codecs = array_column($streams, 'codec_name');
        if (
            !in_array($kind, array_column($streams, 'codec_type'), true) ||
            array_diff($codecs, self::PLAYED) !== [] ||
            $seconds <= 0
        ) {
            throw new UnreadablePublication(
                Reason::NotPlayable,
                basename($file) . ($codecs === [] ? '' : ', ' . implode(' and ', $codecs)),
            );
        }

        return $seconds;
    }

    /** @throws UnreadablePublication where it cannot be cut */
    public function cut(string $file, float $seconds, string $to): void
    {
        is_dir(dirname($to)) || mkdir(dirname($to), 0o755, true);
        $this->run(
            [
                'ffmpeg',
                '-v',
                'error',
                '-nostdin',
                '-y',
                ...self::OPENED,
                '-i',
                $file,
                '-t',
                sprintf('%.3F', $seconds),
                '-map',
                '0:V?',
                '-map',
                '0:a?',
                '-c',
                'copy',
                '-movflags',
                '+faststart',
                $to,
            ],
            $file,
        );
        if (!is_file($to) || filesize($to) === 0) {
            throw new UnreadablePublication(Reason::NotPlayable, basename($file));
        }
    }

    /** What ffmpeg says of the sound of a file that was taken in (core: Sound); nothing where it has none. */
    public function listen(string $file): string
    {
        $process = Tool::run(
            [
                'nice',
                'ffmpeg',
                '-hide_banner',
                '-nostats',
                '-nostdin',
                ...self::OPENED,
                '-i',
                $file,
                '-map',
                '0:a:0',
                '-af',
                Sound::filters(),
                '-f',
                'null',
                '-',
            ],
            self::SECONDS_TO_LISTEN,
        );

        return $process === null ? '' : $process->getErrorOutput();
    }

    /** A picture that stands for a film: the one of its first minute that is most like the others. */
    public function picture(string $film, string $to): void
    {
        Tool::run(
            [
                'nice',
                'ffmpeg',
                '-v',
                'error',
                '-nostdin',
                '-y',
                ...self::OPENED,
                '-i',
                $film,
                '-t',
                '60',
                '-map',
                '0:V:0',
                '-vf',
                "fps=2,thumbnail=120,scale='min(1280,iw)':-2",
                '-frames:v',
                '1',
                '-q:v',
                '4',
                $to,
            ],
            self::SECONDS_ALLOWED,
        );
    }

    /** @param  list<string>  $command */
    private function run(array $command, string $file): string
    {
        $process = Tool::run($command, self::SECONDS_ALLOWED);
        if ($process === null) {
            throw new UnreadablePublication(Reason::NotPlayable, basename($file) . ', which takes too long to look at');
        }

        return $process->getOutput();
    }
}
