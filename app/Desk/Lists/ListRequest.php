<?php

declare(strict_types=1);

namespace App\Desk\Lists;

use App\Shared\Input;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\Query\QueryParser;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\ValidationException;

/** What staff say of a list. */
final class ListRequest extends FormRequest
{
    private const NAME = 120;

    private const NOTE = 1000;

    private const WORDS = 400;

    /**
     * @param  list<string>  $rooms  of the library, by their names in addresses
     * @return array{name: string, note: string|null, room: string, words: string|null, shows_from: string|null,
     *     shows_until: string|null}
     *
     * @throws ValidationException
     */
    public function facts(array $rooms): array
    {
        $name = mb_substr(Input::text($this, 'name'), 0, self::NAME);
        $words = mb_substr(Input::text($this, 'words'), 0, self::WORDS);
        [$from, $until] = [$this->day('shows_from'), $this->day('shows_until')];
        $this->refuse($name === '', 'name', __('lists.needs_list_name'));
        $this->refuse(
            Input::text($this, 'made') === 'search' && ($words === '' || QueryParser::read($words)->tree === null),
            'words',
            __('lists.needs_list_words'),
        );
        $this->refuse($from !== null && $until !== null && $from > $until, 'shows_until', __('lists.needs_list_dates'));
        $room = Input::text($this, 'room');
        $this->refuse(!in_array($room, $rooms, true), 'room', __('lists.needs_room'));
        $note = mb_substr(Input::text($this, 'note'), 0, self::NOTE);

        return [
            'name' => $name,
            'note' => $note === '' ? null : $note,
            'room' => $room,
            'words' => Input::text($this, 'made') === 'search' ? $words : null,
            'shows_from' => $from,
            'shows_until' => $until,
        ];
    }

    private function day(string $field): ?string
    {
        $text = Input::text($this, $field);
        $day = DateTimeImmutable::createFromFormat('!Y-m-d', $text);
        $this->refuse(
            $text !== '' && ($day === false || $day->format('Y-m-d') !== $text),
            $field,
            __('desk.needs.date_of_list'),
        );

        return $text === '' ? null : $text;
    }

    private function refuse(bool $wrong, string $field, string $why): void
    {
        if ($wrong) {
            throw ValidationException::withMessages([$field => $why]);
        }
    }
}
