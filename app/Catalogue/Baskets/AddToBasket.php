<?php

declare(strict_types=1);

namespace App\Catalogue\Baskets;

use App\Models\Title;
use Illuminate\Support\HtmlString;

/** The button that puts a title into a basket; a page may have many of them. */
final class AddToBasket
{
    public static function html(Title $title): HtmlString
    {
        $address = "/titles/{$title->id}/basket";

        return new HtmlString(
            "<form method=\"post\" action=\"{$address}\" hx-post=\"{$address}\" hx-swap=\"outerHTML\" " .
                'class="inline">' .
                csrf_field() .
                '<button class="link cursor-pointer text-[15px] py-1">' .
                e(__('baskets.add')) .
                '<span class="sr-only">: ' .
                e($title->name) .
                '</span></button></form>',
        );
    }
}
