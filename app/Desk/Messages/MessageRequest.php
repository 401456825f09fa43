<?php

declare(strict_types=1);

namespace App\Desk\Messages;

use App\Catalogue\Rooms\LibraryRooms;
use App\Lending\LoanRules\PatronGroups;
use App\Models\StaffMember;
use App\Shared\Input;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\ValidationException;

/** What staff say in a message, to whom and when. */
final class MessageRequest extends FormRequest
{
    public const TITLE = 120;

    public const TEXT = 4000;

    /**
     * @return array{texts: array<string, array{title: string, text: string}>, rooms: list<string>,
     *     groups: list<string>, is_important: bool, first_day: string, last_day: string|null}
     *
     * @throws ValidationException
     */
    public function facts(StaffMember $staff, PatronGroups $groups, LibraryRooms $rooms, string $today): array
    {
        $texts = [];
        foreach ($staff->library->languages as $language) {
            $title = Input::text($this, "title_{$language}");
            $text = Input::text($this, "text_{$language}");
            $this->refuse($title === '' && $text !== '', "title_{$language}", __('messages.needs_title'));
            $this->refuse($text === '' && $title !== '', "text_{$language}", __('messages.needs_text'));
            $this->refuse(
                mb_strlen($title) > self::TITLE,
                "title_{$language}",
                __('messages.title_long', ['most' => self::TITLE]),
            );
            $this->refuse(
                mb_strlen($text) > self::TEXT,
                "text_{$language}",
                __('messages.text_long', ['most' => self::TEXT, 'has' => mb_strlen($text)]),
            );
            if ($title !== '') {
                $texts[$language] = ['title' => $title, 'text' => $text];
            }
        }
        $this->refuse($texts === [], "title_{$staff->library->languages[0]}", __('messages.needs_words'));
        $first = $this->day('first_day') ?? $today;
        $last = $this->day('last_day');
        $this->refuse($last !== null && $last < $first, 'last_day', __('messages.needs_days'));

        return [
            'texts' => $texts,
            'rooms' => $this->chosen('rooms', array_keys($rooms->names($staff->library))),
            'groups' => $this->chosen('groups', $groups->of($staff->library_id)),
            'is_important' => $this->boolean('is_important'),
            'first_day' => $first,
            'last_day' => $last,
        ];
    }

    /**
     * @param  list<string>  $of
     * @return list<string>
     */
    private function chosen(string $field, array $of): array
    {
        $chosen = $this->input($field);

        return is_array($chosen) ? array_values(array_intersect($of, $chosen)) : [];
    }

    private function day(string $field): ?string
    {
        $day = Input::day($this, $field);
        $this->refuse($day === null && Input::text($this, $field) !== '', $field, __('messages.bad_day'));

        return $day;
    }

    private function refuse(bool $wrong, string $field, string $why): void
    {
        if ($wrong) {
            throw ValidationException::withMessages([$field => $why]);
        }
    }
}
