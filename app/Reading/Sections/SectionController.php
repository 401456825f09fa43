<?php

declare(strict_types=1);

namespace App\Reading\Sections;

use App\Lending\Availability\OwnItems;
use App\Lending\Loans\Opening;
use App\Models\Title;
use App\Shared\RequestContext;
use Carbon\CarbonImmutable;
use FigPorch\Core\Reading\SectionAddress;
use Illuminate\Http\RedirectResponse;

/** A link to a section of a title: who has it on loan is there, and who borrows it comes there. */
final class SectionController
{
    public function __invoke(
        Title $title,
        string $section,
        RequestContext $current,
        OwnItems $ownItems,
    ): RedirectResponse {
        $contents = $title->publication()->first(['id', 'contents'])->contents ?? [];
        $number = SectionAddress::find($contents, $section);
        if ($number === null) {
            return new RedirectResponse($current->link(route('titles.show', [$title, 'section' => 'gone'], false)));
        }
        $address = SectionAddress::of($number, $contents[$number][1]);
        $loan = $ownItems->of($current->person, [$title], CarbonImmutable::now())->loan($title->id);
        if ($loan !== null) {
            return new RedirectResponse(
                Opening::address($loan->id, $title->format) . '?' . http_build_query(['section' => $address]),
            );
        }

        return new RedirectResponse($current->link(route('titles.show', [$title, 'section' => $address], false)));
    }
}
