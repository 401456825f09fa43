<?php

declare(strict_types=1);

namespace FigPorch\Core\Account;

/** What help is about; a page for each. */
enum HelpSubject: string
{
    case Borrowing = 'borrowing';
    case Waiting = 'waiting';
    case Reading = 'reading';
    case Listening = 'listening';
    case Offline = 'offline';
    case EReaders = 'e-readers';
    case Children = 'children';
    case Privacy = 'privacy';
    case Keyboard = 'keyboard';

    /** The one that fits a page, by the beginning of its route's name. */
    private const PAGES = [
        'holds.' => self::Waiting,
        'porch' => self::Waiting,
        'read.' => self::Reading,
        'marks.' => self::Reading,
        'excerpt.' => self::Reading,
        'pages.' => self::Reading,
        'play.' => self::Listening,
        'offline' => self::Offline,
        'download' => self::EReaders,
        'prepared.' => self::EReaders,
        'rooms.' => self::Children,
        'classes.' => self::Children,
        'household' => self::Children,
        'settings' => self::Privacy,
        'kept' => self::Privacy,
        'almanac' => self::Privacy,
        'own_cards.' => self::Privacy,
        'sign-in' => self::Privacy,
    ];

    public static function forPage(?string $route): self
    {
        foreach (self::PAGES as $begins => $subject) {
            if (str_starts_with((string) $route, $begins)) {
                return $subject;
            }
        }

        return self::Borrowing;
    }
}
