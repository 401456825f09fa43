<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Onix;

use FigPorch\Core\Catalogue\Citation\Name;

/** Who made a product of ONIX. */
final class OnixPeople
{
    /** List 17. */
    private const ROLES = [
        'A01' => 'author',
        'A02' => 'author',
        'A06' => 'composer',
        'A12' => 'illustrator',
        'A13' => 'illustrator',
        'A35' => 'illustrator',
        'B01' => 'editor',
        'B06' => 'translator',
        'D02' => 'director',
        'E01' => 'cast',
        'E03' => 'narrator',
        'E07' => 'narrator',
    ];

    /** @return list<array{name: string, sort: string, role: string}> in their order */
    public static function of(OnixElement $of): array
    {
        $all = [];
        foreach ($of->all('DescriptiveDetail/Contributor') as $n => $one) {
            $inverted = $one->text('PersonNameInverted');
            $keys = implode(' ', array_filter([$one->text('NamesBeforeKey'), $one->text('KeyNames')]));
            $name =
                $one->text('PersonName') ??
                ($one->text('CorporateName') ??
                    ($inverted === null ? ($keys === '' ? null : $keys) : Name::fromSorted($inverted)->natural()));
            if ($name === null) {
                continue;
            }
            $key = $one->text('KeyNames');
            $before = $one->text('NamesBeforeKey');
            $sort = $inverted ?? ($key === null ? $name : ($before === null ? $key : "{$key}, {$before}"));
            foreach ($one->texts('ContributorRole') ?: ['A01'] as $role) {
                $order = (int) ($one->text('SequenceNumber') ?? $n + 1);
                $all[] = [
                    $order,
                    [
                        'name' => $name,
                        'sort' => $sort,
                        'role' => self::ROLES[$role] ?? 'contributor',
                    ],
                ];
            }
        }
        usort($all, fn(array $a, array $b): int => $a[0] <=> $b[0]);

        return array_values(array_unique(array_column($all, 1), SORT_REGULAR));
    }
}
