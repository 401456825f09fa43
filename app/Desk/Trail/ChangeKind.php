<?php

declare(strict_types=1);

namespace App\Desk\Trail;

/** What can be changed at the Desk, as the audit trail names it; each has its words in trail.what. */
enum ChangeKind: string
{
    case StaffInvited = 'staff_invited';
    case StaffWithdrawn = 'staff_withdrawn';
    case LicenceAdd = 'licence_add';
    case LicenceCopies = 'licence_copies';
    case LicenceEnd = 'licence_end';
    case OrderNoted = 'order_noted';
    case OrderSent = 'order_sent';
    case OrderReceived = 'order_received';
    case OrderCancelled = 'order_cancelled';
    case FundChanged = 'fund_changed';
    case PayPerLoanBudget = 'pay_per_loan_budget';
    case ListMade = 'list_made';
    case ListChanged = 'list_changed';
    case ListRemoved = 'list_removed';
    case RoomAdded = 'room_added';
    case RoomChanged = 'room_changed';
    case RoomRemoved = 'room_removed';
    case MessageWritten = 'message_written';
    case MessageChanged = 'message_changed';
    case MessageRemoved = 'message_removed';
    case RequestDeclined = 'request_declined';
    case StaffJoined = 'staff_joined';
    case StaffRole = 'staff_role';
    case StaffLeft = 'staff_left';
    case LibraryChanged = 'library_changed';
    case RuleChanged = 'rule_changed';
    case RulePlanned = 'rule_planned';
    case RuleUndone = 'rule_undone';
    case GroupAdded = 'group_added';
    case RecordChanged = 'record_changed';
    case RecordUndone = 'record_undone';
    case CoverChanged = 'cover_changed';
    case WorkChanged = 'work_changed';
    case HoldingChanged = 'holding_changed';
    case HoldingRemoved = 'holding_removed';
    case LinkChanged = 'link_changed';
    case LinkRemoved = 'link_removed';
    case BatchDone = 'batch_done';
    case BatchUndone = 'batch_undone';
    case FileTakenIn = 'file_taken_in';
    case RecordsImported = 'records_imported';
    case CardsImported = 'cards_imported';
    case CardsImportUndone = 'cards_import_undone';
    case UsageKeyMade = 'usage_key_made';
    case UsageKeyRemoved = 'usage_key_removed';
    case CardIssued = 'card_issued';
    case CardRenewed = 'card_renewed';
    case CardBlocked = 'card_blocked';
    case CardUnblocked = 'card_unblocked';
    case CardPin = 'card_pin';
    case CardReplaced = 'card_replaced';
    case CardChanged = 'card_changed';
    case CardErased = 'card_erased';
    case CardMerged = 'card_merged';
    case HouseholdConfirmed = 'household_confirmed';
    case HouseholdEnded = 'household_ended';
    case CardHelped = 'card_helped';
    case CardReturned = 'card_returned';
    case CardCancelled = 'card_cancelled';
}
