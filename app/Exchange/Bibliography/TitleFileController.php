<?php

declare(strict_types=1);

namespace App\Exchange\Bibliography;

use App\Catalogue\Citations\CitableTitles;
use App\Models\Title;
use App\Shared\RequestContext;
use Illuminate\Http\Response;

/** One title for a reference manager. */
final class TitleFileController
{
    public function __invoke(Title $title, string $kind, CitableTitles $citable, RequestContext $current): Response
    {
        return CitationFile::answer(
            $kind,
            $citable->titles([$title->id], fn(int $id): string => route('titles.show', $id), $current->now()),
            mb_substr($title->name, 0, 80),
        );
    }
}
