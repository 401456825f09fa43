<?php

declare(strict_types=1);

namespace App\Desk\Titles;

use App\Models\Library;
use DateTimeImmutable;
use FigPorch\Core\Lending\DownloadRight;
use FigPorch\Core\Lending\LicenceModel;
use FigPorch\Core\Lending\Rights;
use Illuminate\Validation\Rule;

/** The fields by which a licence is added, to one title or to many. */
final class LicenceForm
{
    public const MOST = 100_000;

    public const FIELDS = [
        'model',
        'copies',
        'loans',
        'starts',
        'ends',
        'price',
        'shared',
        'pages',
        'pdf',
        'offline',
        'download',
    ];

    /** @return array<string, list<mixed>> */
    public static function rules(?LicenceModel $model): array
    {
        return [
            'model' => ['required', Rule::enum(LicenceModel::class)],
            'copies' => self::number($model?->hasCopies() === true),
            'loans' => self::number($model?->countsLoans() === true),
            'starts' => ['nullable', 'date_format:Y-m-d'],
            'ends' => [$model === LicenceModel::MeteredByTime ? 'required' : 'nullable', 'date_format:Y-m-d'],
            // A gift costs 0, and that is said too.
            'price' => [
                'required',
                $model === LicenceModel::PayPerLoan ? 'not_regex:/^0+([.,]0*)?$/' : 'string',
                'regex:/^\d{1,7}([.,]\d{1,2})?$/',
            ],
            'shared' => ['nullable', 'boolean'],
            'pages' => ['nullable', 'integer', 'min:0', 'max:' . self::MOST],
            ...array_fill_keys(['pdf', 'offline'], ['nullable', 'boolean']),
            'download' => ['nullable', Rule::enum(DownloadRight::class)],
        ];
    }

    /** @return list<string> */
    public static function number(bool $needed): array
    {
        return [$needed ? 'required' : 'exclude', 'integer', 'min:1', 'max:' . self::MOST];
    }

    /**
     * @param  array<string, mixed>  $of  the fields, as rules() lets them pass
     * @param  string  $id  a UUID, as LicenceOrder has it
     */
    public static function order(
        array $of,
        string $id,
        int $titleId,
        Library $library,
        DateTimeImmutable $now,
    ): LicenceOrder {
        $text = fn(string $field): string => is_scalar($of[$field] ?? null) ? (string) $of[$field] : '';
        $is = fn(string $field): bool => filter_var($of[$field] ?? false, FILTER_VALIDATE_BOOL);
        $model = LicenceModel::from($text('model'));
        $starts = self::day($text('starts'), $library, '00:00');

        return new LicenceOrder(
            id: $id,
            what: OrderKind::Add,
            titleId: $titleId,
            licence: null,
            model: $model,
            copies: $model->hasCopies() ? (int) $text('copies') : null,
            loans: $model->countsLoans() ? (int) $text('loans') : null,
            startsAt: $starts === null || $starts <= $now ? null : $starts,
            endsAt: $model === LicenceModel::PayPerLoan ? null : self::day($text('ends'), $library, '23:59:59'),
            priceCents: self::cents($text('price')),
            shared: $model !== LicenceModel::PayPerLoan && $is('shared'),
            rights: new Rights(
                $text('pages') === '' ? null : (int) $text('pages'),
                $is('pdf'),
                $is('offline'),
                DownloadRight::tryFrom($text('download')) ?? DownloadRight::None,
            ),
        );
    }

    public static function cents(string $price): int
    {
        return (int) round(100 * (float) str_replace(',', '.', $price));
    }

    public static function day(string $day, Library $library, string $time): ?DateTimeImmutable
    {
        return $day === '' ? null : new DateTimeImmutable("{$day} {$time}", $library->zone());
    }
}
