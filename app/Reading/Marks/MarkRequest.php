<?php

declare(strict_types=1);

namespace App\Reading\Marks;

use App\Reading\Places\FromDevice;
use DateTimeImmutable;
use FigPorch\Core\Reading\Colour;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

final class MarkRequest extends FormRequest
{
    use FromDevice;

    private const LONGEST_LABEL = 300;

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'label' => ['required', 'string'],
            'note' => ['present', 'nullable', 'string', 'max:4000'],
            'colour' => ['nullable', Rule::enum(Colour::class)],
            'removed' => ['boolean'],
            'changed_at' => ['required', 'integer', 'min:0'],
            ...$this->locatorRules(),
        ];
    }

    /** Chapters may have names of any length. */
    public function label(): string
    {
        return mb_substr($this->string('label')->value(), 0, self::LONGEST_LABEL);
    }

    public function colour(): ?Colour
    {
        return $this->enum('colour', Colour::class);
    }

    public function changedAt(DateTimeImmutable $now): DateTimeImmutable
    {
        return $this->happened('changed_at', $now);
    }
}
