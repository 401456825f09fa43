<?php

declare(strict_types=1);

namespace App\Lending\Loans;

use App\Models\Loan;
use App\Shared\View\TitleText;
use FigPorch\Core\Catalogue\Format;
use LogicException;

/** How a loan is opened, by its format: read, listened to or watched. */
final class Opening
{
    public static function verb(Format $format): string
    {
        return match (self::way($format)) {
            'read' => __('loans.read'),
            'listen' => __('loans.listen'),
            'watch' => __('loans.watch'),
        };
    }

    public static function address(int $loanId, Format $format): string
    {
        return "/loans/{$loanId}/" . self::way($format);
    }

    public static function of(Loan $loan): string
    {
        return self::address($loan->id, $loan->title->format);
    }

    /** @return 'read'|'listen'|'watch' */
    public static function way(Format $format): string
    {
        return match ($format) {
            Format::Ebook, Format::Magazine => 'read',
            Format::Audiobook, Format::Music => 'listen',
            Format::Video => 'watch',
            Format::Paper, Format::Website => throw new LogicException('It is not lent here.'),
        };
    }

    /** "Page 12 of 212", "25 min of 9 h 40 min", or that it is not begun. */
    public static function reached(LoanWithProgress $on): string
    {
        $title = $on->loan->title;
        $seconds = $title->format === Format::Music ? (int) $title->extent_seconds : $title->extent;

        return match (true) {
            $on->place === null => __('loans.not_begun'),
            self::way($title->format) === 'read' => __('loans.page_reached', [
                'page' => $on->page(),
                'pages' => $title->extent,
            ]),
            default => __('loans.time_reached', [
                'time' => TitleText::duration((int) round($on->place->fraction() * $seconds)),
                'total' => TitleText::duration($seconds),
            ]),
        };
    }
}
