<?php

declare(strict_types=1);

namespace FigPorch\Demo\Media;

use FigPorch\Demo\Book;

/** A book whose sentences are heard: each is spoken by itself, so that its beginning and end are known exactly. */
final class ReadAlong
{
    public static function of(Book $book): Book
    {
        $chapters = $readings = [];
        foreach ($book->chapters as $i => $chapter) {
            $sounds = $sentences = [];
            $at = 0.0;
            $html = (string) preg_replace_callback(
                '#(<(?:h1|p)>)(.*?)(</(?:h1|p)>)#s',
                function (array $m) use (&$sounds, &$sentences, &$at): string {
                    $spans = array_map(
                        function (string $sentence) use (&$sounds, &$sentences, &$at): string {
                            $wav = Speech::wav(html_entity_decode(strip_tags($sentence)));
                            $end = $at + Encoder::seconds($wav);
                            $id = 's' . (count($sentences) + 1);
                            $sounds[] = $wav;
                            $sentences[] = [$id, $at, $end];
                            $at = $end;

                            return "<span id=\"{$id}\">{$sentence}</span>";
                        },
                        preg_split('/(?<=[.!?])\s+/u', trim($m[2]), flags: PREG_SPLIT_NO_EMPTY) ?: [],
                    );

                    return $m[1] . implode(' ', $spans) . $m[3];
                },
                $chapter['html'],
            );
            $chapters[] = ['title' => $chapter['title'], 'html' => $html];
            [$sound, $seconds] = Encoder::mp3(Encoder::joined($sounds));
            $readings[$i] = ['sound' => $sound, 'seconds' => $seconds, 'sentences' => $sentences];
        }

        return new Book(...[...get_object_vars($book), 'chapters' => $chapters, 'readings' => $readings]);
    }
}
