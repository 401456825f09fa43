<?php

declare(strict_types=1);

namespace App\Account\SignIn;

use App\Models\Library;
use App\Shared\Input;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\View\View;

final class ChooseLibraryController
{
    public function index(Request $request, FindLibraries $find): View
    {
        $words = mb_substr(Input::text($request, 'find'), 0, 200);

        return view(
            $request->hasHeader('HX-Request') ? 'account.sign-in.libraries' : 'account.sign-in.choose-library',
            [
                'then' => self::localPath($request->query('then')),
                'words' => $words,
                'found' => $find($words),
            ],
        );
    }

    /** The address that a library gives to its people. */
    public function at(Library $library): RedirectResponse
    {
        return redirect()->route('front-door', ['library' => $library->slug]);
    }

    public function choose(Request $request, Library $library): RedirectResponse
    {
        return redirect(self::there($library, self::localPath($request->input('then'))))->withCookie(
            cookie('library', $library->slug, 60 * 24 * 400),
        );
    }

    /** The page at another library than it may have named. */
    private static function there(Library $library, string $path): string
    {
        parse_str((string) parse_url($path, PHP_URL_QUERY), $said);

        return isset($said['library'])
            ? strtok($path, '?') . '?' . http_build_query([...$said, 'library' => $library->slug])
            : $path;
    }

    /** Only ever on to a page of ours. */
    private static function localPath(mixed $path): string
    {
        return is_string($path) && preg_match('#^/(?![/\\\\])#', $path) === 1 ? $path : '/';
    }
}
