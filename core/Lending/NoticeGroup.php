<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending;

/** Kinds of notices as people think of them. */
enum NoticeGroup: string
{
    case Holds = 'holds';
    case Loans = 'loans';
    case NewForMe = 'new_for_me';
    case Library = 'library';
    case Safety = 'safety';

    public static function of(NoticeKind $kind): self
    {
        return match ($kind) {
            NoticeKind::HoldReady,
            NoticeKind::HoldBorrowed,
            NoticeKind::HoldLapsing,
            NoticeKind::HoldMissed,
            NoticeKind::HoldLapsed,
            NoticeKind::HoldSetBack,
            NoticeKind::LicenceEnding,
            NoticeKind::LicenceGone
                => self::Holds,
            NoticeKind::LoanDueSoon, NoticeKind::LoanDueTomorrow, NoticeKind::LoanEnded => self::Loans,
            NoticeKind::SearchFound, NoticeKind::IssueHere, NoticeKind::RequestAnswered => self::NewForMe,
            NoticeKind::LibraryMessage, NoticeKind::LetterAnswered => self::Library,
            NoticeKind::WrongPins, NoticeKind::PinChanged => self::Safety,
        };
    }

    /** @return list<NoticeKind> */
    public function kinds(): array
    {
        return array_values(array_filter(NoticeKind::cases(), fn(NoticeKind $kind): bool => self::of($kind) === $this));
    }
}
