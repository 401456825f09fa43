<?php

declare(strict_types=1);

namespace App\Reading\Publications;

use FigPorch\Core\Reading\Reason;
use FigPorch\Core\Reading\UnreadablePublication;

/** What Poppler does here: it says what a PDF is, and draws pages of it, as pictures or as a PDF of their own. */
final class Poppler
{
    private const SECONDS_ALLOWED = 120;

    /** While somebody waits for it. */
    public const SECONDS_MEANWHILE = 20;

    private const COVER_HEIGHT = 1000;

    private const PRINTED_HEIGHT = 1600;

    /**
     * What a PDF says of itself: Title, Author, Subject, Keywords, CreationDate as far as they are there.
     *
     * @return array{pages: int, facts: array<string, string>}
     *
     * @throws UnreadablePublication
     */
    public function describe(string $file): array
    {
        $facts = [];
        foreach (explode("\n", $this->run(['pdfinfo', '-isodates', '-enc', 'UTF-8', $file], $file)) as $line) {
            [$name, $value] = explode(':', $line, 2) + [1 => ''];
            if (trim($value) !== '') {
                $facts[trim($name)] = trim(mb_scrub($value));
            }
        }
        if (str_starts_with($facts['Encrypted'] ?? 'no', 'yes')) {
            throw new UnreadablePublication(Reason::Encrypted);
        }
        $pages = (int) ($facts['Pages'] ?? 0);
        if ($pages < 1) {
            throw new UnreadablePublication(Reason::BadPdf);
        }

        return [
            'pages' => $pages,
            'facts' => array_intersect_key(
                $facts,
                array_flip(['Title', 'Author', 'Subject', 'Keywords', 'CreationDate']),
            ),
        ];
    }

    /** @return string the first page as a PNG picture; empty where it cannot be drawn */
    public function cover(string $file): string
    {
        try {
            return $this->run(
                [
                    'pdftoppm',
                    '-png',
                    '-singlefile',
                    '-f',
                    '1',
                    '-l',
                    '1',
                    '-scale-to',
                    (string) self::COVER_HEIGHT,
                    $file,
                ],
                $file,
            );
        } catch (UnreadablePublication) {
            return '';
        }
    }

    /**
     * Draws some pages anew, as a PDF of their own. Pages that are taken out of a PDF as they are bring along whatever
     * their links, threads, outlines and names lead to, which may be all the others; what is drawn has none of these.
     *
     * @throws UnreadablePublication where what was drawn is not those pages
     */
    public function cut(string $file, int $from, int $until, string $to, int $seconds = self::SECONDS_ALLOWED): void
    {
        is_dir(dirname($to)) || mkdir(dirname($to), 0o755, true);
        $this->run(['pdftocairo', '-pdf', '-f', (string) $from, '-l', (string) $until, $file, $to], $file, $seconds);
        if (!is_file($to) || $this->describe($to)['pages'] !== $until - $from + 1) {
            is_file($to) && unlink($to);
            throw new UnreadablePublication(Reason::BadPdf);
        }
    }

    /** @return string one page as a PNG picture that is sharp in print */
    public function page(string $file, int $page): string
    {
        return $this->run(
            [
                'pdftoppm',
                '-png',
                '-singlefile',
                '-f',
                (string) $page,
                '-l',
                (string) $page,
                '-scale-to',
                (string) self::PRINTED_HEIGHT,
                $file,
            ],
            $file,
            self::SECONDS_MEANWHILE,
        );
    }

    /** @param  list<string>  $command */
    private function run(array $command, string $file, int $seconds = self::SECONDS_ALLOWED): string
    {
        $process = Tool::run($command, $seconds);
        if ($process === null) {
            throw new UnreadablePublication(Reason::BadPdf, basename($file) . ', which takes too long to look at');
        }
        if (!$process->isSuccessful()) {
            $said = strtok($process->getErrorOutput(), "\n") ?: '';
            throw new UnreadablePublication(
                str_contains($said, 'Incorrect password') ? Reason::Encrypted : Reason::BadPdf,
            );
        }

        return $process->getOutput();
    }
}
