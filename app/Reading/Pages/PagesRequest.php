<?php

declare(strict_types=1);

namespace App\Reading\Pages;

use FigPorch\Core\Reading\Pages;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\ValidationException;

/** Pages to print or to copy: numbers from a device, labels such as "xii" from a form. */
final class PagesRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['from' => ['required', 'string', 'max:20'], 'to' => ['nullable', 'string', 'max:20']];
    }

    protected function prepareForValidation(): void
    {
        $this->merge(array_map(fn(mixed $v): mixed => is_int($v) ? (string) $v : $v, $this->only(['from', 'to'])));
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['*' => __('pages.which')];
    }

    /**
     * @return array{int, int} page numbers
     *
     * @throws ValidationException where there are no such pages
     */
    public function span(Pages $pages): array
    {
        $from = $this->number($pages, 'from');
        $to = $this->filled('to') ? $this->number($pages, 'to') : $from;
        if ($to < $from) {
            throw ValidationException::withMessages(['to' => __('pages.other_way')]);
        }

        return [$from, $to];
    }

    private function number(Pages $pages, string $field): int
    {
        $label = $this->string($field)->trim()->value();

        return $pages->number($label) ??
            throw ValidationException::withMessages([
                $field => __('pages.no_such', [
                    'page' => $label,
                    'first' => $pages->label(1),
                    'last' => $pages->label($pages->count()),
                ]),
            ]);
    }
}
