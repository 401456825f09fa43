<?php

declare(strict_types=1);

namespace App\Exchange\Sending;

use App\Shared\Input;
use App\Shared\RequestContext;
use Carbon\CarbonImmutable;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\RateLimiter;

/** The e-reader and the folder of a person. */
final class PlacesController
{
    /** Codes that a person may have sent a day: the addresses may be anybody's. */
    private const CODES_A_DAY = 5;

    private const DAY_SECONDS = 86400;

    public function __construct(private readonly RequestContext $current) {}

    public function eReader(Request $request, KeepEReader $keep): RedirectResponse
    {
        /** @var array{e_reader: string} $valid */
        $valid = $request->validate(['e_reader' => ['required', 'string', 'email:rfc', 'max:254']]);
        $person = $this->current->requiredPerson();
        $mayAsk = RateLimiter::attempt(
            "e-reader {$person->id}",
            self::CODES_A_DAY,
            fn() => $keep->ask($person, $valid['e_reader'], CarbonImmutable::now()),
            self::DAY_SECONDS,
        );

        return $mayAsk === false
            ? self::settings()->with('refusal', __('sending.codes_enough'))
            : self::settings()->with('said', __('sending.code_sent', ['address' => $valid['e_reader']]));
    }

    public function confirm(Request $request, KeepEReader $keep): RedirectResponse
    {
        $isIt = $keep->confirm($this->current->requiredPerson(), Input::text($request, 'code'), CarbonImmutable::now());

        return $isIt
            ? self::settings()->with('said', __('sending.confirmed'))
            : self::settings()->with('refusal', __('sending.wrong_code'));
    }

    public function removeEReader(KeepEReader $keep): RedirectResponse
    {
        $keep->remove($this->current->requiredPerson());

        return self::settings()->with('said', __('sending.e_reader_removed'));
    }

    public function folder(Request $request, KeepFolder $keep): RedirectResponse
    {
        /** @var array{folder: string, folder_name: string, folder_secret: string} $valid */
        $valid = $request->validate([
            'folder' => ['required', 'string', 'max:490'],
            'folder_name' => ['required', 'string', 'max:200'],
            'folder_secret' => ['required', 'string', 'max:500'],
        ]);
        $why = $keep->keep(
            $this->current->requiredPerson(),
            $valid['folder'],
            $valid['folder_name'],
            $valid['folder_secret'],
            CarbonImmutable::now(),
        );

        return $why === null
            ? self::settings()->with('said', __('sending.folder_kept'))
            : self::settings()
                ->with('refusal', __("sending.why.{$why->value}"))
                ->withInput($request->except('folder_secret'));
    }

    public function removeFolder(KeepFolder $keep): RedirectResponse
    {
        $keep->remove($this->current->requiredPerson());

        return self::settings()->with('said', __('sending.folder_removed'));
    }

    private static function settings(): RedirectResponse
    {
        return redirect()->to(route('settings', absolute: false) . '#sending');
    }
}
