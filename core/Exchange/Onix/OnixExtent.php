<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Onix;

/** How much there is of a product of ONIX. */
final class OnixExtent
{
    private const MOST_OF_ANYTHING = 100_000_000;

    /** @return array{int, int} pages and seconds; List 23 and 24 */
    public static function of(OnixElement $of): array
    {
        [$pages, $seconds] = [0, 0];
        foreach ($of->all('DescriptiveDetail/Extent') as $extent) {
            $value = (string) $extent->text('ExtentValue');
            if (preg_match('/^\d{1,9}$/D', $value) !== 1) {
                continue;
            }
            $isLong = $extent->text('ExtentType') === '09';
            [$pages, $seconds] = match ($isLong ? $extent->text('ExtentUnit') : 'pages') {
                'pages' => $extent->text('ExtentUnit') === '03'
                    ? [max($pages, (int) $value), $seconds]
                    : [$pages, $seconds],
                '04' => [$pages, (int) $value * 3600],
                '05' => [$pages, (int) $value * 60],
                '06' => [$pages, (int) $value],
                '14' => [$pages, (int) $value * 3600],
                // Hours and minutes, and seconds, in one number.
                '15' => [$pages, intdiv((int) $value, 100) * 3600 + ((int) $value % 100) * 60],
                '16' => [
                    $pages,
                    intdiv((int) $value, 10000) * 3600 + (intdiv((int) $value, 100) % 100) * 60 + ((int) $value % 100),
                ],
                default => [$pages, $seconds],
            };
        }

        return [min($pages, self::MOST_OF_ANYTHING), min($seconds, self::MOST_OF_ANYTHING)];
    }
}
