<?php

declare(strict_types=1);

namespace App\Catalogue\StaffLists;

/** A staff list's figures in words. */
final class ListText
{
    /** "24 titles · 11 ready now" */
    public static function counts(ListOnShow $of): string
    {
        return trans_choice('account.list_counts', $of->titles) .
            ' · ' .
            ($of->ready === $of->titles && $of->titles > 0
                ? __('account.list_all_ready')
                : trans_choice('account.list_ready', $of->ready));
    }
}
