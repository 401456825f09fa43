<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue\Query;

/** Why and where a query could not be read as typed. */
final readonly class Refusal
{
    private const SHOWN = 24;

    /**
     * @param  int  $at  the place, in characters from 0
     * @param  string  $near  what stands there
     */
    public function __construct(public RefusalReason $reason, public int $at, public string $near) {}

    public static function at(RefusalReason $reason, int $at, string $typed): self
    {
        $rest = mb_substr($typed, $at);
        $near = mb_strlen($rest) > self::SHOWN ? mb_substr($rest, 0, self::SHOWN) . '…' : $rest;

        return new self($reason, $at, $near);
    }
}
