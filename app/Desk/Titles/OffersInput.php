<?php

declare(strict_types=1);

namespace App\Desk\Titles;

use App\Shared\Input;
use FigPorch\Core\Desk\Offer;
use FigPorch\Core\Lending\LicenceModel;
use Illuminate\Http\Request;

/** The offers that staff compare: what they typed over what the library last paid. */
final readonly class OffersInput
{
    private const MONTH_DAYS = 30.4375;

    private const DEFAULT_MONEY = 10_000;

    private const DEFAULT_YEARS = 2;

    private const MOST_YEARS = 10;

    /**
     * @param  array<string, Offer>  $offers  by model
     */
    private function __construct(public array $offers, public int $moneyCents, public int $years) {}

    /** @param  array<string, Offer>  $known  by model */
    public static function read(Request $request, array $known): self
    {
        $typed = $request->input('offer');
        $offers = [];
        foreach (LicenceModel::cases() as $model) {
            $of =
                is_array($typed) && is_array($typed[$model->value] ?? null)
                    ? array_filter($typed[$model->value], is_string(...))
                    : null;
            $offer = $of === null ? $known[$model->value] ?? null : self::offer($model, $of);
            if ($offer !== null) {
                $offers[$model->value] = $offer;
            }
        }
        $years = (int) Input::text($request, 'years');

        return new self(
            $offers,
            self::cents(Input::text($request, 'money')) ?: self::DEFAULT_MONEY,
            $years >= 1 && $years <= self::MOST_YEARS ? $years : self::DEFAULT_YEARS,
        );
    }

    public static function months(?float $days): ?int
    {
        return $days === null ? null : max(1, (int) round($days / self::MONTH_DAYS));
    }

    /** @param  array<string, string>  $typed */
    private static function offer(LicenceModel $model, array $typed): ?Offer
    {
        $number = fn(string $name): int => max(0, min(100_000, (int) ($typed[$name] ?? '')));
        $price = self::cents($typed['price'] ?? '');
        $copies = $model->hasCopies() ? max(1, $number('copies')) : null;
        if (
            $price === 0 ||
            ($model->countsLoans() && $number('loans') === 0) ||
            ($model === LicenceModel::MeteredByTime && $number('months') === 0)
        ) {
            return null;
        }

        return new Offer(
            $model,
            $price,
            $copies,
            $model->countsLoans() ? $number('loans') : null,
            $number('months') === 0 || $model === LicenceModel::PayPerLoan
                ? null
                : $number('months') * self::MONTH_DAYS,
        );
    }

    private static function cents(string $text): int
    {
        return preg_match('/^\s*(\d{1,7})(?:[.,](\d{1,2}))?\s*$/', $text, $m) === 1
            ? 100 * (int) $m[1] + (int) str_pad($m[2] ?? '0', 2, '0')
            : 0;
    }
}
