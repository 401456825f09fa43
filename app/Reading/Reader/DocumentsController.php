<?php

declare(strict_types=1);

namespace App\Reading\Reader;

use App\Models\Loan;
use App\Models\Publication;
use App\Shared\Input;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Documents of a loan, many at once, for whoever goes through all of them: asked for singly thousands take minutes. */
final class DocumentsController
{
    /** Bytes of one answer, and of a document that is in one; longer ones are asked for by themselves. */
    private const MOST = 1_000_000;

    private const LONGEST = 250_000;

    /** @return JsonResponse text by path, in the reading order from the one that was asked for */
    public function __invoke(Request $request, Loan $loan): JsonResponse
    {
        $publication = Publication::query()->where('title_id', $loan->title_id)->firstOrFail();
        $order = array_column($publication->positions, 0);
        $from = array_search(Input::text($request, 'from'), $order, true);
        $from === false || $publication->media_type !== Publication::EPUB ? abort(404) : null;
        $texts = [];
        $bytes = 0;
        foreach (array_slice($order, $from) as $path) {
            $size = $publication->sizes[$path] ?? 0;
            if ($size > self::LONGEST) {
                continue;
            }
            $bytes += $size;
            if ($bytes > self::MOST) {
                break;
            }
            $text = self::text($publication, $path);
            if (mb_check_encoding($text, 'UTF-8')) {
                $texts[$path] = $text;
            }
        }

        return response()
            ->json((object) $texts, options: JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES)
            ->header('Cache-Control', 'private, no-store');
    }

    private static function text(Publication $publication, string $path): string
    {
        return (string) file_get_contents(storage_path("publications/{$publication->sha256}/whole/{$path}"));
    }
}
