<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue;

enum Format: string
{
    case Ebook = 'ebook';
    case Audiobook = 'audiobook';
    case Magazine = 'magazine';
    case Music = 'music';
    case Video = 'video';
    case Paper = 'paper';
    case Website = 'website';

    /** @return list<self> what is licensed, borrowed and opened here; the others stand elsewhere, and are told of */
    public static function lent(): array
    {
        return [self::Ebook, self::Audiobook, self::Magazine, self::Music, self::Video];
    }

    public function isLent(): bool
    {
        return in_array($this, self::lent(), true);
    }
}
