<?php

declare(strict_types=1);

namespace FigPorch\Demo\Media;

/** Text read aloud by a free synthesiser (flite). */
final class Speech
{
    /** @return array{string, float} MP3 and its seconds */
    public static function sound(string $text): array
    {
        return Encoder::mp3(self::wav($text));
    }

    /** @return string a WAV file, for the caller to remove */
    public static function wav(string $text): string
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'speech');
        file_put_contents("{$file}.txt", strtr($text, ['“' => '', '”' => '', '’' => "'", '—' => ', ', '…' => '.']));
        Encoder::run(['flite', '-voice', 'slt', '-f', "{$file}.txt", '-o', $file]);
        unlink("{$file}.txt");

        return $file;
    }
}
