<?php

declare(strict_types=1);

namespace App\Desk\Orders;

use App\Desk\Titles\OffersInput;
use App\Shared\Input;
use FigPorch\Core\Desk\Offer;
use FigPorch\Core\Lending\LicenceModel;
use Illuminate\Http\Request;

/** What stands in the form of an order before anybody types: what the address asks for, else what was last paid. */
final readonly class OrderBeginning
{
    private function __construct(
        public LicenceModel $model,
        public int $quantity,
        public ?int $copies,
        public ?int $loans,
        public ?int $months,
        public ?int $priceCents,
    ) {}

    /** @param  array<string, Offer>  $known  by model */
    public static function of(Request $request, array $known): self
    {
        $known = array_intersect_key($known, array_flip(array_column(OrderRequest::MODELS, 'value')));
        $asked = LicenceModel::tryFrom(Input::text($request, 'model'));
        $model = in_array($asked, OrderRequest::MODELS, true)
            ? $asked
            : array_values($known)[0]->model ?? LicenceModel::OneCopyOneUser;
        $offer = $known[$model->value] ?? null;
        $number = fn(string $name, ?int $else): ?int => preg_match('/^\d{1,6}$/D', Input::text($request, $name)) === 1
            ? max(1, (int) Input::text($request, $name))
            : $else;

        return new self(
            model: $model,
            quantity: $number('quantity', 1) ?? 1,
            copies: $number('copies', $offer->copies ?? 1),
            loans: $number('loans', $offer?->loans),
            months: $number('months', OffersInput::months($offer?->days)),
            priceCents: $number('cents', $offer?->priceCents),
        );
    }
}
