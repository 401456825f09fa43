<?php

declare(strict_types=1);

namespace App\Reading\Reader;

use App\Models\Loan;
use App\Models\Place;
use App\Shared\RequestContext;
use FigPorch\Core\Lending\LoanLength;
use Illuminate\Support\Arr;

/** What reader and player are told alike: where one is, until when, and where places and marks go. */
final class ReadingData
{
    /**
     * @param  Loan|null  $loan  null for an excerpt, of which nothing is kept
     * @param  array<string, mixed>  $more  of the one or the other
     * @param  array<string, mixed>  $texts  likewise
     */
    public static function json(?Loan $loan, ?Place $place, array $more, array $texts): string
    {
        $kept =
            $loan === null
                ? [
                    'due' => null,
                    'longer' => null,
                    'keep' => null,
                    'places' => null,
                    'marks' => null,
                    'records' => false,
                ]
                : [
                    'due' => $loan->due_at->getTimestampMs(),
                    'longer' => LoanLength::parse($loan->length)->inHours ? route('loans.longer', $loan, false) : null,
                    'keep' => route('places.keep', $loan, false),
                    'places' => route('places.index', $loan, false),
                    'marks' => route('marks.in', $loan, false),
                    // Where nothing is recorded, nothing is sent.
                    'records' => app(RequestContext::class)->person->keeps_history ?? false,
                ];

        return json_encode(
            [
                ...$kept,
                'place' => $place?->locator,
                'placed_at' => $place === null ? 0 : $place->read_at->getTimestampMs(),
                'token' => csrf_token(),
                ...$more,
                'texts' =>
                    $texts +
                    Arr::only((array) __('reading'), [
                        'devices',
                        'go_there',
                        'look_ends',
                        'keep_longer',
                        'stay',
                        'offline',
                        'add_bookmark',
                        'bookmark_added',
                        'mark_removed',
                        'remove',
                        'edit_note',
                        'add_note',
                        'note',
                        'keep_note',
                        'leave_note',
                        'remove_mark',
                        'bookmark',
                    ]),
            ],
            JSON_HEX_TAG | JSON_HEX_AMP | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR,
        );
    }
}
