<?php

declare(strict_types=1);

namespace App\Account\Letters;

use App\Models\Letter;
use App\Models\LetterPart;

/** Brings an answer to who wrote without a card; Exchange does, by mail. */
interface LetterCarrier
{
    public function carry(Letter $letter, LetterPart $answer): void;
}
