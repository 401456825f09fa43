<?php

declare(strict_types=1);

namespace App\Reading\Excerpts;

use App\Models\Publication;
use App\Models\Title;
use App\Reading\Player\PlayedParts;
use App\Reading\Publications\MeasureMedia;
use App\Shared\FileDelivery;
use App\Shared\Middleware\ProtectiveHeaders;
use Symfony\Component\HttpFoundation\Response;

/** The part that anyone may read. Its files are kept apart from the whole: there is nothing else to ask for here. */
final class ExcerptController
{
    public function show(Title $title, PlayedParts $played): Response
    {
        $publication = $title->publication()->first() ?? abort(404);

        $publication->excerpt_sizes !== [] || abort(404);
        $title->load('contributors');
        if ($publication->excerpt_parts !== null) {
            return response()->view('reading.player.player', [
                'title' => $title,
                'publication' => $publication,
                'parts' => $played->of($title, $publication, null),
                'loan' => null,
                'place' => null,
                'beginning' => null,
            ]);
        }

        return response()
            ->view('reading.reader.reader', [
                'title' => $title,
                'publication' => $publication,
                'loan' => null,
                'place' => null,
                'beginning' => null,
            ])
            ->withHeaders(['Content-Security-Policy' => ProtectiveHeaders::READER_POLICY]);
    }

    /** A picture from the beginning of a film. */
    public function picture(Title $title, FileDelivery $delivery): Response
    {
        $publication = Publication::query()->where('title_id', $title->id)->firstOrFail();
        MeasureMedia::hasPicture($publication) || abort(404);

        return $delivery->send("{$publication->sha256}/" . MeasureMedia::PICTURE, 'image/jpeg');
    }

    public function file(Title $title, string $path, FileDelivery $delivery): Response
    {
        $publication = Publication::query()->where('title_id', $title->id)->firstOrFail();
        isset($publication->excerpt_sizes[$path]) || abort(404);

        return $delivery->send(
            "{$publication->sha256}/excerpt/{$path}",
            $publication->types[$path] ?? 'application/octet-stream',
        );
    }
}
