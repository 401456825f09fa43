<?php

declare(strict_types=1);

namespace App\Shared\View\Covers;

use App\Models\Title;
use FigPorch\Core\Catalogue\Format;
use Illuminate\Support\HtmlString;

/** A title's cover: the publication's own image, or one drawn from the title's name. 2:3, square for music. */
final class Cover
{
    /** Drawn covers narrower than this, in CSS pixels, carry no words. */
    private const NARROWEST_WITH_WORDS = 60;

    /** The drawn one as a picture by itself, for who shows it elsewhere. */
    public static function drawn(Title $title): string
    {
        $bottom = $title->format === Format::Music ? 120 : 180;

        return '<svg xmlns="http://www.w3.org/2000/svg" width="480" height="' .
            4 * $bottom .
            "\" viewBox=\"0 0 120 {$bottom}\">" .
            (new DrawnCover($title, $bottom))->svg(true) .
            '</svg>';
    }

    /** @param  bool  $decorative  the title's name stands beside it in text */
    public static function html(Title $title, int $width = 74, bool $decorative = false, string $class = ''): HtmlString
    {
        $height = $title->format === Format::Music ? $width : (int) round($width * 1.5);
        $alt = $decorative ? '' : e(__('catalogue.cover_of', ['name' => $title->name]));
        $size = "width=\"{$width}\" height=\"{$height}\"";
        if ($title->cover_file !== null) {
            $shape = $title->format === Format::Music ? 'aspect-square' : 'aspect-[2/3]';
            $address =
                "/titles/{$title->id}/cover?v=" .
                substr((string) preg_replace('~^covers/~', '', $title->cover_file), 0, 8);

            return new HtmlString(
                "<img src=\"{$address}\" {$size} alt=\"{$alt}\" loading=\"lazy\" class=\"rounded-[5px] flex-none " .
                    "self-start object-cover block ring-1 ring-rule {$shape} {$class}\">",
            );
        }
        $name = $decorative ? 'aria-hidden="true"' : "role=\"img\" aria-label=\"{$alt}\"";
        $bottom = $title->format === Format::Music ? 120 : 180;

        return new HtmlString(
            "<svg {$size} viewBox=\"0 0 120 {$bottom}\" {$name} " .
                "class=\"rounded-[5px] flex-none self-start block {$class}\">" .
                (new DrawnCover($title, $bottom))->svg($width >= self::NARROWEST_WITH_WORDS) .
                '</svg>',
        );
    }
}
