<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Onix;

use FigPorch\Core\Catalogue\AgeRange;
use FigPorch\Core\Catalogue\Audience;

/** For whom a product of ONIX is. */
final class OnixReaders
{
    /** List 28. */
    public static function audience(OnixElement $of): ?Audience
    {
        foreach ($of->all('DescriptiveDetail/Audience') as $audience) {
            $code = $audience->text('AudienceCodeType') === '01' ? $audience->text('AudienceCodeValue') : null;
            $known = match ($code) {
                '02' => Audience::Child,
                '03' => Audience::Teen,
                '01', '05', '06', '08' => Audience::Adult,
                default => null,
            };
            if ($known !== null) {
                return $known;
            }
        }

        return null;
    }

    /** List 30: 17 interest age, 18 reading age, in years; List 31: 01 exactly, 03 from, 04 to. */
    public static function ages(OnixElement $of): ?AgeRange
    {
        foreach ($of->all('DescriptiveDetail/AudienceRange') as $range) {
            if (!in_array($range->text('AudienceRangeQualifier'), ['17', '18'], true)) {
                continue;
            }
            $ends = array_combine(['01', '03', '04'], [null, null, null]);
            $values = $range->texts('AudienceRangeValue');
            foreach ($range->texts('AudienceRangePrecision') as $n => $precision) {
                $value = $values[$n] ?? '';
                $ends[$precision] = preg_match('/^\d{1,2}$/D', $value) === 1 ? $value : null;
            }
            $from = $ends['03'] ?? $ends['01'];
            $to = $ends['04'] ?? $ends['01'];
            if ($from !== null || $to !== null) {
                return AgeRange::parse("{$from}-{$to}");
            }
        }

        return null;
    }
}
