<?php

declare(strict_types=1);

namespace App\Reading\Sections;

use App\Models\Title;
use App\Shared\Input;
use Closure;
use FigPorch\Core\Reading\SectionAddress;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * Who looks at a title by the address of a section of it comes there when they open it, however they got the address.
 */
final class RememberSection
{
    public function handle(Request $request, Closure $next): Response
    {
        $title = $request->route('title');
        $section = Input::text($request, 'section');
        if ($title instanceof Title && SectionAddress::isOne($section)) {
            WantedSections::keep($request->session(), $title->id, $section);
        }

        return $next($request);
    }
}
