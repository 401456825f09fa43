<?php

declare(strict_types=1);

namespace App\Desk\Rules;

use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Lending\RuleField;

/** Loan rules in words. */
final class RuleText
{
    /** "Everybody", "teen · video" */
    public static function scope(?string $group, ?Format $format): string
    {
        return implode(
            ' · ',
            array_filter([
                $group ?? ($format === null ? (string) __('rules.everybody') : null),
                $format === null ? null : (string) __("catalogue.format.{$format->value}"),
            ]),
        );
    }

    /** "7, 14 or 21 days" of a code such as "7d 14d 21d"; '–' of nothing. */
    public static function value(RuleField $field, string $code): string
    {
        return match (true) {
            $code === '' => '–',
            $field === RuleField::AudienceCeiling => __("rules.ceilings.{$code}"),
            in_array($field, [RuleField::Lengths, RuleField::DefaultLength], true) => self::lengths($code),
            $field === RuleField::RenewalWindowDays => __('rules.days', ['count' => $code]),
            $field === RuleField::HoldKeptHours => __('rules.hours', ['count' => $code]),
            default => $code,
        };
    }

    private static function lengths(string $code): string
    {
        $words = [];
        foreach (['d' => 'rules.days', 'h' => 'rules.hours'] as $unit => $key) {
            $of = array_filter(explode(' ', $code), fn(string $one): bool => str_ends_with($one, $unit));
            if ($of !== []) {
                $words[] = __($key, [
                    'count' => implode(', ', array_map(fn(string $o): string => rtrim($o, 'dh'), $of)),
                ]);
            }
        }

        return implode('; ', $words);
    }
}
