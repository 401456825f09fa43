<?php

declare(strict_types=1);

namespace App\Exchange\Lcp;

use App\Shared\RequestContext;
use Carbon\CarbonImmutable;
use Closure;
use FigPorch\Core\Exchange\Lcp\Passphrase;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** The passphrase of a person, in their Settings. */
final class PassphraseController
{
    public function __invoke(Request $request, RequestContext $current, KeepPassphrase $keep): RedirectResponse
    {
        /** @var array{passphrase: string, hint: string} $valid */
        $valid = $request->validate(
            [
                'passphrase' => [
                    'required',
                    'string',
                    'min:' . Passphrase::LEAST,
                    'max:' . Passphrase::MOST,
                    'not_regex:/^\s|\s$/u',
                ],
                'hint' => [
                    'required',
                    'string',
                    'max:200',
                    function (string $field, mixed $hint, Closure $fail) use ($request): void {
                        $passphrase = $request->input('passphrase');
                        if (is_string($passphrase) && is_string($hint) && Passphrase::isTold($passphrase, $hint)) {
                            $fail(__('lcp.needs.told'));
                        }
                    },
                ],
            ],
            [
                'passphrase.*' => __('lcp.needs.passphrase'),
                'hint.*' => __('lcp.needs.hint'),
            ],
        );
        $isAnother = $keep($current->requiredPerson(), $valid['passphrase'], $valid['hint'], CarbonImmutable::now());

        return redirect()
            ->to(route('settings', absolute: false) . '#protected')
            ->with('said', __($isAnother ? 'lcp.changed' : 'lcp.kept'));
    }
}
