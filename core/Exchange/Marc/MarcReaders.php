<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Marc;

use FigPorch\Core\Catalogue\AgeRange;
use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Catalogue\Format;

/** For whom it is, as 008 and 521 say. */
final class MarcReaders
{
    /** 008/22, where the format has it; else what 521 says in our words. */
    public static function audience(MarcRecord $of, Format $format): ?Audience
    {
        foreach ($of->fields('521') as $field) {
            $said = $field->first === '8' ? Audience::tryFrom((string) $field->get('a')) : null;
            if ($said !== null) {
                return $said;
            }
        }

        return $format === Format::Magazine
            ? null
            : match ($of->control('008')[22] ?? '|') {
                'a', 'b', 'c', 'j' => Audience::Child,
                'd' => Audience::Teen,
                'e', 'f', 'g' => Audience::Adult,
                default => null,
            };
    }

    public static function ages(MarcRecord $of): ?AgeRange
    {
        foreach ($of->fields('521') as $field) {
            $text = $field->first === '1' ? (string) $field->get('a') : '';
            if (preg_match('/(\d{1,2})?\s*[-–]\s*(\d{1,2})?/u', $text, $m) === 1 && trim($m[0], ' -–') !== '') {
                return AgeRange::parse($m[0]);
            }
        }

        return null;
    }

    public static function level(MarcRecord $of): ?float
    {
        foreach ($of->fields('521') as $field) {
            $number = $field->first === '0' ? MarcExtent::number($field->get('a')) : null;
            if ($number !== null && (float) $number <= 20) {
                return (float) $number;
            }
        }

        return null;
    }
}
