<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending;

/** What a patron can be told of; each kind can be turned off, in the application, by mail and on devices. */
enum NoticeKind: string
{
    case HoldReady = 'hold_ready';
    case HoldBorrowed = 'hold_borrowed';
    case HoldLapsing = 'hold_lapsing';
    case HoldMissed = 'hold_missed';
    case HoldLapsed = 'hold_lapsed';
    case HoldSetBack = 'hold_set_back';
    case LoanDueSoon = 'loan_due_soon';
    case LoanDueTomorrow = 'loan_due_tomorrow';
    case LoanEnded = 'loan_ended';
    case LicenceEnding = 'licence_ending';
    case LicenceGone = 'licence_gone';
    case RequestAnswered = 'request_answered';
    case SearchFound = 'search_found';
    case IssueHere = 'issue_here';
    case LibraryMessage = 'library_message';
    case LetterAnswered = 'letter_answered';
    case WrongPins = 'wrong_pins';
    case PinChanged = 'pin_changed';
}
