<?php

declare(strict_types=1);

namespace App\Reading\Player;

use App\Models\Loan;
use App\Models\Place;
use App\Models\Title;
use App\Reading\Reader\ReadingData;
use App\Shared\View\TitleText;
use FigPorch\Core\Catalogue\Format;
use Illuminate\Support\Arr;

/**
 * What the player is told of what it plays, on a page of its own and as the small player of every other page.
 *
 * @phpstan-import-type Played from PlayedParts
 */
final class PlayerData
{
    /**
     * @param  list<Played>  $parts
     * @param  array<string, mixed>|null  $beginning  as Beginning has it
     */
    public static function json(
        Title $title,
        array $parts,
        ?Loan $loan,
        ?Place $place,
        ?array $beginning = null,
    ): string {
        return ReadingData::json(
            $loan,
            $place,
            [
                'parts' => $parts,
                'beginning' => $beginning,
                'film' => $title->format === Format::Video,
                'title' => $title->name,
                'people' => TitleText::people($title),
                'cover' => $title->cover_file === null ? null : route('titles.cover', $title, false),
                // A film is watched where it is; what is heard goes on while one browses.
                'small' =>
                    $loan === null || $title->format === Format::Video ? null : route('play.small', $loan, false),
            ],
            Arr::only((array) __('offline.texts'), ['costs', 'anyway']) +
                Arr::only((array) __('reading'), [
                    'play',
                    'pause_playing',
                    'place_said',
                    'sleep_stopped',
                    'cannot_play',
                    'loan_over',
                    'further_on',
                    'excerpt_over',
                    'play_next',
                    'plays_next',
                ]) +
                Arr::only((array) __('player'), [
                    'back_by',
                    'on_by',
                    'stops_in',
                    'stops_soon',
                    'full_screen',
                    'leave_full_screen',
                    'mute',
                    'unmute',
                ]),
        );
    }
}
