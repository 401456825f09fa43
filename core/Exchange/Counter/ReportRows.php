<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Counter;

/**
 * What a report says: its items, each with its figures (metrics by month), parted by the attributes that are shown.
 * Figures of nothing are left out.
 *
 * @phpstan-type Part array{attributes: array<string, string>, months: array<string, array<string, int>>}
 * @phpstan-type Row array{item: Item|null, parts: array<string, Part>}
 */
final class ReportRows
{
    /**
     * @param  iterable<Usage>  $usages
     * @return list<Row> in the order in which they come
     */
    public static function of(ReportRequest $request, ReportHeader $header, iterable $usages): array
    {
        $rows = [];
        $master = $request->report->master();
        $last = $request->last();
        foreach ($usages as $usage) {
            $item = $usage->item;
            $type = self::type($master, $item);
            if (
                $usage->month < $request->begin ||
                $usage->month > $last ||
                !in_array($type, $request->dataTypes, true) ||
                !$request->takes($item, $header)
            ) {
                continue;
            }
            $attributes = self::attributes($request, $item, $type);
            $part = implode("\t", $attributes);
            foreach ($request->metrics as $metric) {
                $count = $usage->of($metric);
                if ($count === 0 || !self::isCounted($metric, $item)) {
                    continue;
                }
                $row = self::key($master, $item);
                $rows[$row] ??= ['item' => $item, 'parts' => []];
                $rows[$row]['parts'][$part] ??= ['attributes' => $attributes, 'months' => []];
                $rows[$row]['parts'][$part]['months'][$metric->value][$usage->month] =
                    ($rows[$row]['parts'][$part]['months'][$metric->value][$usage->month] ?? 0) + $count;
            }
        }
        // Metrics stand in the order of the report, whichever came first.
        $order = array_flip(array_map(fn(Metric $of): string => $of->value, $request->metrics));
        foreach ($rows as &$row) {
            ksort($row['parts']);
            foreach ($row['parts'] as &$part) {
                uksort($part['months'], fn(string $a, string $b): int => $order[$a] <=> $order[$b]);
                foreach ($part['months'] as &$months) {
                    ksort($months);
                }
                unset($months);
            }
            unset($part);
        }
        unset($row);

        return array_values($rows);
    }

    private static function type(Report $master, ?Item $item): DataType
    {
        return match (true) {
            $master === Report::DR => DataType::DatabaseAggregated,
            $item === null => DataType::Platform,
            default => $item->dataType,
        };
    }

    private static function isCounted(Metric $metric, ?Item $item): bool
    {
        return match ($metric) {
            Metric::SearchesPlatform, Metric::SearchesRegular => $item === null,
            default => $item !== null,
        };
    }

    private static function key(Report $master, ?Item $item): string
    {
        return match ($master) {
            Report::PR, Report::DR => 'all',
            Report::TR => $item?->serial === null ? 't' . $item?->id : 's' . $item->serial[0],
            default => 't' . $item?->id,
        };
    }

    /** @return array<string, string> */
    private static function attributes(ReportRequest $request, ?Item $item, DataType $type): array
    {
        $attributes = [];
        foreach ($request->shown as $attribute) {
            $attributes[$attribute->value] = match ($attribute) {
                Attribute::DataType => $type->value,
                Attribute::Yop => $item->year ?? '0001',
                Attribute::AccessType => ReportRequest::ACCESS_TYPE,
                Attribute::AccessMethod => ReportRequest::ACCESS_METHOD,
            };
        }

        return $attributes;
    }
}
