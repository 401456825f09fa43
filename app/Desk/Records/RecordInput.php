<?php

declare(strict_types=1);

namespace App\Desk\Records;

use App\Shared\Input;
use FigPorch\Core\Catalogue\Record;
use FigPorch\Core\Catalogue\RecordText;
use Illuminate\Http\Request;

/** The fields of a record as somebody wrote them. People have a row each, with name, role and how they sort. */
final class RecordInput
{
    /** Empty rows for people after those that there are. */
    private const MORE_PEOPLE = 3;

    /** @return array<string, string> by field */
    public static function texts(Request $request): array
    {
        $texts = [];
        foreach (array_diff(RecordText::FIELDS, ['contributors']) as $field) {
            $texts[$field] = str_replace("\r\n", "\n", Input::text($request, $field));
        }
        $people = [];
        for ($n = 0; $n < Record::MOST['contributors'] + self::MORE_PEOPLE; $n++) {
            if (!$request->has("person_{$n}_name")) {
                break;
            }
            $part = fn(string $of): string => str_replace(
                RecordText::BETWEEN,
                ' ',
                Input::text($request, "person_{$n}_{$of}"),
            );
            if ($part('name') !== '') {
                $people[] = implode(RecordText::BETWEEN, [$part('role'), $part('name'), $part('sort')]);
            }
        }
        $texts['contributors'] = implode("\n", $people);

        return $texts;
    }

    /** @return list<array{string, string, string}> role, name, how it sorts; some empty ones at the end */
    public static function people(string $contributors): array
    {
        $lines = [...array_filter(explode("\n", $contributors)), ...array_fill(0, self::MORE_PEOPLE, '')];

        return array_map(function (string $line): array {
            [$role, $name, $sort] = [...explode(RecordText::BETWEEN, $line), '', '', ''];

            return [$role, $name, $sort];
        }, $lines);
    }

    /** @return array<string, string> as the form showed them; what is not of a form of ours is as nothing seen */
    public static function seen(Request $request): array
    {
        $seen = json_decode(Input::text($request, 'seen'), true);

        return is_array($seen) ? array_filter($seen, is_string(...)) : [];
    }
}
