<?php

declare(strict_types=1);

namespace App\Reading\Places;

use DateTimeImmutable;
use FigPorch\Core\Account\ReadingReport;
use Illuminate\Foundation\Http\FormRequest;
use InvalidArgumentException;

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
            'read' => ['nullable', 'array', 'max:200'],
            'read.*' => ['array:from,to,seconds,pages'],
            'read.*.from' => ['required', 'integer', 'min:0'],
            'read.*.to' => ['required', 'integer', 'min:0'],
            'read.*.seconds' => ['nullable', 'numeric', 'min:0'],
            'read.*.pages' => ['nullable', 'integer', 'min:0'],
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

    /** @return list<ReadingReport> what was read meanwhile; what cannot have been is left out */
    public function reports(DateTimeImmutable $now): array
    {
        $reports = [];
        foreach (array_keys((array) $this->validated('read', [])) as $n) {
            try {
                $reports[] = new ReadingReport(
                    $this->happened("read.{$n}.from", $now),
                    $this->happened("read.{$n}.to", $now),
                    (float) ($this->input("read.{$n}.seconds") ??
                        ($this->integer("read.{$n}.to") - $this->integer("read.{$n}.from")) / 1000),
                    $this->integer("read.{$n}.pages"),
                );
            } catch (InvalidArgumentException) {
                continue;
            }
        }

        return $reports;
    }

    public function readAt(DateTimeImmutable $now): DateTimeImmutable
    {
        return $this->happened('read_at', $now);
    }
}
