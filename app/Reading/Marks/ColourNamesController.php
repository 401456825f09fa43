<?php

declare(strict_types=1);

namespace App\Reading\Marks;

use App\Shared\RequestContext;
use FigPorch\Core\Reading\Colour;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

final class ColourNamesController
{
    public function __invoke(Request $request, RequestContext $current): RedirectResponse
    {
        $colours = array_map(fn(Colour $of): string => $of->value, Colour::cases());
        $names = $request->validate(array_fill_keys($colours, ['nullable', 'string', 'max:' . ColourNames::LONGEST]), [
            '*' => __('marks.colour_too_long', ['most' => ColourNames::LONGEST]),
        ]);
        ColourNames::keep($current->requiredPerson(), $names);

        return redirect()->route('marks.index')->with('said', __('marks.colours_kept'));
    }
}
