<?php

declare(strict_types=1);

namespace FigPorch\Core\Reading\Epub;

/** An entry of the contents or of the page list. */
final readonly class NavPoint
{
    /**
     * @param  string|null  $href  path with fragment; null for a heading that leads nowhere
     * @param  list<self>  $children
     */
    public function __construct(public string $label, public ?string $href, public array $children = []) {}
}
