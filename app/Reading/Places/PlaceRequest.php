<?php

declare(strict_types=1);

namespace App\Reading\Places;

use DateTimeImmutable;
use Illuminate\Foundation\Http\FormRequest;

final class PlaceRequest extends FormRequest
{
    use FromDevice;

    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return [
            'device' => ['required', 'uuid'],
            'device_name' => ['nullable', 'string', 'max:60'],
            'read_at' => ['required', 'integer', 'min:0'],
            ...$this->locatorRules(),
        ];
    }

    public function device(): string
    {
        return $this->string('device')->value();
    }

    public function deviceName(): string
    {
        return $this->string('device_name')->value() ?: __('reading.this_device');
    }

    public function readAt(DateTimeImmutable $now): DateTimeImmutable
    {
        return $this->happened('read_at', $now);
    }
}
