<?php

declare(strict_types=1);

namespace FigPorch\Core\Reading\Epub;

use FigPorch\Core\Reading\Archive;
use FigPorch\Core\Reading\UnreadablePublication;

/** The text of a publication without its markup, an empty line after each block. */
final class PlainText
{
    private const BLOCK_ENDS = '~</(?:p|h[1-6]|li|div|blockquote|td|th|figcaption|dt|dd|section)>|<br\s*/?>~i';

    /**
     * @param  int  $most  bytes, after which no further document is read
     *
     * @throws UnreadablePublication
     */
    public static function of(Archive $archive, Publication $publication, int $most): string
    {
        $text = '';
        foreach ($publication->spine as $item) {
            if (strlen($text) >= $most) {
                break;
            }
            $markup = (string) preg_replace(
                '~<(head|script|style|svg|math)\b.*?</\1>~is',
                ' ',
                mb_scrub($archive->read($item->href)),
            );
            $text .=
                html_entity_decode(
                    strip_tags((string) preg_replace(self::BLOCK_ENDS, "$0\n\n", $markup)),
                    ENT_QUOTES | ENT_HTML5,
                ) . "\n\n";
        }

        return $text;
    }
}
