<?php

declare(strict_types=1);

namespace App\Desk\Files;

use App\Lending\Licences\LicenceTerms;
use App\Shared\Input;
use Illuminate\Http\Request;
use InvalidArgumentException;

/** The licence that each of several files gets, of the two kinds that are the same for many. */
final class LicenceForEach
{
    public const KINDS = ['none', 'one_copy_one_user', 'simultaneous'];

    private const MOST_COPIES = 1000;

    /**
     * @param  bool  $shares  the library shares new licences
     * @return string|array<string, string>|null the terms; what is wrong by field; null for no licence yet
     */
    public static function of(Request $request, bool $shares): string|array|null
    {
        $kind = Input::text($request, 'licence');
        $copies = Input::text($request, 'copies');
        $price = str_replace(',', '.', Input::text($request, 'price'));
        if ($kind === 'none') {
            return null;
        }
        $hasCopies = $kind === 'one_copy_one_user';
        $wrong = array_filter([
            'licence' => in_array($kind, self::KINDS, true) ? '' : (string) __('desk.needs.model'),
            'copies' =>
                !$hasCopies || (preg_match('/^[1-9]\d{0,3}$/D', $copies) === 1 && (int) $copies <= self::MOST_COPIES)
                    ? ''
                    : (string) __('desk.needs.copies'),
            // A gift costs 0, and that is said too.
            'price' => preg_match('/^\d{1,6}(\.\d{1,2})?$/D', $price) === 1 ? '' : (string) __('files.needs_price'),
        ]);
        if ($wrong !== []) {
            return $wrong;
        }
        $terms =
            "{$kind}:" .
            ($hasCopies ? "copies={$copies}," : '') .
            'price=' .
            (int) round(100 * (float) $price) .
            ($shares ? ',shared' : '');
        try {
            LicenceTerms::parse($terms);
        } catch (InvalidArgumentException $impossible) {
            return ['licence' => $impossible->getMessage()];
        }

        return $terms;
    }
}
