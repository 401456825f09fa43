<?php

declare(strict_types=1);

namespace App\Desk\Holdings;

use App\Shared\Input;
use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Catalogue\Holding;
use FigPorch\Core\Catalogue\Record;
use FigPorch\Core\Catalogue\RecordText;
use FigPorch\Core\Catalogue\WebLink;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;

/** A title on paper, or a website, in its first fields: all others are those of its record. */
final class NewTitleRequest extends FormRequest
{
    /** Fields of RecordText that are asked for at once; people by name alone. */
    public const FIELDS = [
        'name',
        'subtitle',
        'publisher',
        'published',
        'identifiers',
        'language',
        'audience',
        'subjects',
    ];

    /** @return array<string, never> */
    public function rules(): array
    {
        return [];
    }

    public function titleFormat(): Format
    {
        return Input::text($this, 'format') === Format::Website->value ? Format::Website : Format::Paper;
    }

    /**
     * @param  list<Holding>  $holdings
     * @param  list<WebLink>  $links
     *
     * @throws ValidationException
     */
    public function record(array $holdings, array $links): Record
    {
        $texts = [];
        foreach (self::FIELDS as $field) {
            $texts[$field] = str_replace("\r\n", "\n", Input::text($this, $field));
        }
        $people = array_filter(explode("\n", str_replace("\r\n", "\n", Input::text($this, 'people'))));
        $texts['contributors'] = implode(
            "\n",
            array_map(fn(string $name): string => 'author' . RecordText::BETWEEN . trim($name), $people),
        );
        if ($texts['name'] === '') {
            throw ValidationException::withMessages(['name' => __('records.wrong.name')]);
        }
        $blank = new Record(
            key: 'new',
            format: $this->titleFormat(),
            name: '–',
            contributors: [],
            extent: 0,
            audience: Audience::Adult,
        );
        [$record, $wrong] = RecordText::with($blank, array_filter($texts, fn(string $of): bool => $of !== ''));
        if ($wrong !== []) {
            throw ValidationException::withMessages(
                array_combine(
                    array_map(fn(string $of): string => $of === 'contributors' ? 'people' : $of, $wrong),
                    array_map(fn(string $of): string => __("records.wrong.{$of}"), $wrong),
                ),
            );
        }

        return $record->known($this->key($record, $links))->at($holdings, $links);
    }

    /**
     * The same book on paper, the same website, is one title, whoever of the consortium has it.
     *
     * @param  list<WebLink>  $links
     */
    private function key(Record $record, array $links): string
    {
        $isbn = $record->isbn()?->thirteen;

        return match (true) {
            $isbn !== null => "{$record->format->value}:isbn:{$isbn}",
            $links !== [] => $links[0]->key(),
            default => "{$record->format->value}:" . Str::uuid(),
        };
    }
}
