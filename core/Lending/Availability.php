<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending;

use DateTimeImmutable;

/** What the lamp says of a title at one library. */
enum Availability: string
{
    case AlwaysReady = 'always_ready';
    case ReadyNow = 'ready_now';
    case Wait = 'wait';
    case OnOrder = 'on_order';
    case NotHere = 'not_here';

    /** @param  list<Licence>  $licences those of the title that the library can use */
    public static function of(array $licences, DateTimeImmutable $now): self
    {
        $best = self::NotHere;
        foreach ($licences as $licence) {
            if ($licence->canLend($now)) {
                if ($licence->model === LicenceModel::Simultaneous) {
                    return self::AlwaysReady;
                }
                $best = self::ReadyNow;
            } elseif ($best === self::NotHere && $licence->hasFuture($now)) {
                $best = $licence->onOrder ? self::OnOrder : self::Wait;
            }
        }

        return $best;
    }

    public function canBorrow(): bool
    {
        return $this === self::AlwaysReady || $this === self::ReadyNow;
    }
}
