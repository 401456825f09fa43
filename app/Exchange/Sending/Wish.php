<?php

declare(strict_types=1);

namespace App\Exchange\Sending;

use App\Models\Loan;
use FigPorch\Core\Exchange\Sending\Goods;
use FigPorch\Core\Exchange\Sending\Way;

/** What somebody wants sent, and to where. */
final readonly class Wish
{
    /**
     * @param  array<string, int|string>  $facts  of what: from and to, title, basket and style
     * @param  string  $name  as the person knows it
     */
    public function __construct(
        public Goods $goods,
        public Way $way,
        public array $facts,
        public string $name,
        public ?Loan $loan = null,
    ) {}
}
