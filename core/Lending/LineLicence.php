<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending;

use DateTimeImmutable;
use FigPorch\Core\Lending\Forecast\TitleUse;

/** A licence with what keeps its copies busy. */
final readonly class LineLicence
{
    /**
     * @param  list<DateTimeImmutable>  $dueAt  due times of its open loans
     * @param  list<DateTimeImmutable>  $readyUntil  until when its copies are kept for ready holds
     * @param  list<DateTimeImmutable>  $startedAt  when the open loans began, in the order of their due times given;
     *     empty if unknown
     * @param  TitleUse|null  $use  how loans of its title have ended at the library whose line it is
     */
    public function __construct(
        public Licence $licence,
        public array $dueAt = [],
        public array $readyUntil = [],
        public array $startedAt = [],
        public ?TitleUse $use = null,
    ) {}

    /** @param  list<self>  $licences  of one title */
    public static function onOrder(array $licences): bool
    {
        return array_filter($licences, fn(self $of): bool => $of->licence->onOrder) !== [];
    }
}
