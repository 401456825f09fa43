<?php

declare(strict_types=1);

namespace App\Lending\LoanRules;

use App\Account\Preferences\SettingsSaved;
use App\Shared\RequestContext;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Lending\LoanLength;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use InvalidArgumentException;

/** A patron's own default lengths, on the page of settings. */
final class LengthsController
{
    public function __invoke(
        Request $request,
        RequestContext $current,
        ChooseLengths $choose,
    ): RedirectResponse|Response {
        $lengths = [];
        foreach (Format::lent() as $format) {
            try {
                $code = $request->input("length.{$format->value}");
                if (is_string($code) && $code !== '') {
                    $lengths[$format->value] = LoanLength::parse($code);
                }
            } catch (InvalidArgumentException) {
                return redirect()->route('settings')->with('refusal', __('lending.refused.length_not_offered'));
            }
        }
        $choose($current->requiredPerson(), $lengths);

        return SettingsSaved::answer($request);
    }
}
