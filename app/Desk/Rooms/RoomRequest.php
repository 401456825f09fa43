<?php

declare(strict_types=1);

namespace App\Desk\Rooms;

use App\Models\Library;
use App\Shared\Input;
use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Catalogue\Room;
use FigPorch\Core\Catalogue\UsualRoom;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\ValidationException;

/** What staff say of a room. */
final class RoomRequest extends FormRequest
{
    private const NAME = 60;

    private const ABOUT = 200;

    /**
     * @param  string|null  $slug  of one that there is; null for one that is new
     *
     * @throws ValidationException
     */
    public function room(Library $library, ?string $slug): Room
    {
        $names = $this->texts($library, 'name', self::NAME);
        $usual = $slug === null ? null : UsualRoom::tryFrom($slug);
        // One of the usual rooms without a name of its own keeps the usual one.
        if ($names === [] && $usual === null) {
            $this->refuse("name_{$library->languages[0]}", __('arrange_rooms.needs_name'));
        }
        $ages = Room::readAges(mb_substr(Input::text($this, 'ages'), 0, 200));
        if ($ages === null) {
            $this->refuse('ages', __('arrange_rooms.needs_ages', ['most' => Room::MOST_AGES]));
        }

        return new Room(
            $slug ?? ArrangeRooms::slug(array_values($names)[0] ?? ''),
            $names,
            $this->texts($library, 'about', self::ABOUT),
            Audience::tryFrom(Input::text($this, 'audience')),
            $ages,
        );
    }

    /** @return array<string, string> by language */
    private function texts(Library $library, string $field, int $most): array
    {
        $texts = [];
        foreach ($library->languages as $language) {
            $text = trim(mb_substr(Input::text($this, "{$field}_{$language}"), 0, $most));
            $text === '' || ($texts[$language] = $text);
        }

        return $texts;
    }

    private function refuse(string $field, string $why): never
    {
        throw ValidationException::withMessages([$field => $why]);
    }
}
