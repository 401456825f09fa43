<?php

declare(strict_types=1);

namespace App\Desk\Holdings;

use App\Shared\Input;
use FigPorch\Core\Catalogue\Holding;
use FigPorch\Core\Catalogue\OpenTo;
use FigPorch\Core\Catalogue\WebLink;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\ValidationException;

/** A shelf, or a website, as somebody at the Desk wrote it down. */
final class HoldingRequest extends FormRequest
{
    /** @return array<string, never> */
    public function rules(): array
    {
        return [];
    }

    /** @throws ValidationException */
    public function holding(): Holding
    {
        $copies = Input::text($this, 'copies');
        $copies = $copies === '' ? '1' : $copies;
        $wrong = array_filter([
            'place' => Input::text($this, 'place') === '' ? __('holdings_desk.wrong.place') : null,
            'copies' =>
                preg_match('/^\d{1,3}$/D', $copies) !== 1 || (int) $copies < 1
                    ? __('holdings_desk.wrong.copies', ['most' => Holding::MOST_COPIES])
                    : null,
        ]);
        if ($wrong !== []) {
            throw ValidationException::withMessages($wrong);
        }

        return new Holding(
            Input::text($this, 'place'),
            Input::text($this, 'call_number'),
            (int) $copies,
            preg_split('/[\s,;]+/', Input::text($this, 'numbers')) ?: [],
        );
    }

    /** @throws ValidationException */
    public function link(): WebLink
    {
        $address = WebLink::address(Input::text($this, 'address'));
        $openTo = OpenTo::tryFrom(Input::text($this, 'open_to'));
        $wrong = array_filter([
            'address' => $address === null ? __('holdings_desk.wrong.address') : null,
            'open_to' => $openTo === null ? __('holdings_desk.wrong.open_to') : null,
        ]);
        if ($address === null || $openTo === null) {
            throw ValidationException::withMessages($wrong);
        }

        return new WebLink($address, Input::text($this, 'about'), $openTo);
    }
}
