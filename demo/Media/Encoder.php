<?php

declare(strict_types=1);

namespace FigPorch\Demo\Media;

use RuntimeException;
use Symfony\Component\Process\Process;

/** Sound as MP3, by ffmpeg; the same every time. */
final class Encoder
{
    private const EXACT = [
        '-map_metadata',
        '-1',
        '-fflags',
        '+bitexact',
        '-flags:a',
        '+bitexact',
        '-flags:v',
        '+bitexact',
        '-threads',
        '1',
    ];

    /** @return array{string, float} bytes and seconds */
    public static function mp3(string $wav, string $rate = '40k'): array
    {
        $to = "{$wav}.mp3";
        self::run([
            'ffmpeg',
            '-v',
            'error',
            '-nostdin',
            '-y',
            '-i',
            $wav,
            '-ac',
            '1',
            '-ar',
            '22050',
            '-b:a',
            $rate,
            ...self::EXACT,
            $to,
        ]);
        $made = [(string) file_get_contents($to), self::seconds($wav)];
        array_map(unlink(...), [$wav, $to]);

        return $made;
    }

    /**
     * Pictures that are each held as long as the sound of their scene.
     *
     * @param  string  $list  a list for ffmpeg's concat demuxer
     */
    public static function mp4(string $list, string $wav, string $to): void
    {
        self::run([
            'ffmpeg',
            '-v',
            'error',
            '-nostdin',
            '-y',
            '-f',
            'concat',
            '-safe',
            '0',
            '-i',
            $list,
            '-i',
            $wav,
            '-vf',
            'fps=12,format=yuv420p',
            '-c:v',
            'libx264',
            '-preset',
            'veryfast',
            '-crf',
            '30',
            '-g',
            '48',
            '-c:a',
            'aac',
            '-b:a',
            '48k',
            '-ac',
            '1',
            '-movflags',
            '+faststart',
            '-shortest',
            ...self::EXACT,
            $to,
        ]);
    }

    /**
     * One WAV file after another, all of the same rate; they are removed.
     *
     * @param  list<string>  $wavs
     */
    public static function joined(array $wavs): string
    {
        $samples = implode(
            '',
            array_map(fn(string $wav): string => substr((string) file_get_contents($wav), 44), $wavs),
        );
        $header = substr((string) file_get_contents($wavs[0]), 0, 44);
        array_map(unlink(...), $wavs);
        $file = (string) tempnam(sys_get_temp_dir(), 'joined');
        // The sizes in the header are those of all that follows (RIFF WAVE).
        file_put_contents(
            $file,
            substr($header, 0, 4) .
                pack('V', 36 + strlen($samples)) .
                substr($header, 8, 32) .
                pack('V', strlen($samples)) .
                $samples,
        );

        return $file;
    }

    /** Of a WAV file: what follows its header of 44 bytes, at 16 bits and the rate that the header says. */
    public static function seconds(string $wav): float
    {
        $header = unpack('Vrate', (string) file_get_contents($wav, offset: 24, length: 4));

        return (filesize($wav) - 44) / 2 / (float) ($header['rate'] ?? 16000);
    }

    /** @param  list<string>  $command */
    public static function run(array $command): void
    {
        $process = new Process($command, timeout: 300);
        if ($process->run() !== 0) {
            throw new RuntimeException("{$command[0]} did not work: " . trim($process->getErrorOutput()));
        }
    }
}
