<?php

declare(strict_types=1);

namespace App\Reading\Speech;

use App\Reading\Publications\Tool;
use RuntimeException;

/** The library's own voice: flite's, which reads English. */
final class Voice
{
    /** BCP 47 primary subtags. */
    public const LANGUAGES = ['en'];

    private const NAME = 'slt';

    private const SECONDS_ALLOWED = 15;

    /** What most say who say nothing: a title without a language is read as it is shown, as English. */
    public static function reads(?string $language): bool
    {
        return in_array(strtolower(strtok($language ?: 'en', '-_') ?: ''), self::LANGUAGES, true);
    }

    /** @return string MP3 */
    public function say(string $text): string
    {
        $folder = sys_get_temp_dir() . '/speech-' . bin2hex(random_bytes(8));
        mkdir($folder, 0o700);
        try {
            $this->run(
                ['flite', '-voice', self::NAME, '-f', '/dev/stdin', '-o', "{$folder}/said.wav"],
                $this->plain($text),
            );
            $coded = ['-codec:a', 'libmp3lame', '-b:a', '40k', "{$folder}/said.mp3"];
            $this->run(['ffmpeg', '-v', 'error', '-nostdin', '-i', "{$folder}/said.wav", ...$coded], null);

            return (string) file_get_contents("{$folder}/said.mp3");
        } finally {
            array_map(unlink(...), glob("{$folder}/*") ?: []);
            rmdir($folder);
        }
    }

    /** It knows the letters and signs of ASCII; others are said by the nearest. */
    private function plain(string $text): string
    {
        $text = strtr($text, ['—' => ', ', '–' => ', ', '…' => '. ']);
        $plain = transliterator_transliterate('Any-Latin; Latin-ASCII', $text);

        return (string) preg_replace('/[^\x20-\x7E]+/', ' ', $plain === false ? $text : $plain) . "\n";
    }

    /** @param  list<string>  $command */
    private function run(array $command, ?string $input): void
    {
        $process = Tool::run($command, self::SECONDS_ALLOWED, $input);
        if ($process === null || !$process->isSuccessful()) {
            throw new RuntimeException(
                "{$command[0]} did not say it: " . ($process?->getErrorOutput() ?? 'no time left'),
            );
        }
    }
}
