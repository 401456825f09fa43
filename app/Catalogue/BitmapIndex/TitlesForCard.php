<?php

declare(strict_types=1);

namespace App\Catalogue\BitmapIndex;

use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Catalogue\TitleSet;

/** The titles that a card may have by its ceilings, whoever has them. */
final class TitlesForCard
{
    /**
     * @param  list<string>|null  $pairs  of format and audience, like "ebook:teen"; null for everything
     * @return TitleSet|null null where that is everything
     */
    public static function of(BitmapIndex $gathering, ?array $pairs): ?TitleSet
    {
        if ($pairs === null) {
            return null;
        }
        $allowed = TitleSet::none();
        foreach (Format::cases() as $format) {
            $audiences = TitleSet::none();
            foreach (Audience::cases() as $audience) {
                if (in_array("{$format->value}:{$audience->value}", $pairs, true)) {
                    $audiences = $audiences->or($gathering->every("audience:{$audience->value}"));
                }
            }
            $allowed = $allowed->or($gathering->every("format:{$format->value}")->and($audiences));
        }

        return $allowed;
    }
}
