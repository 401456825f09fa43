<?php

declare(strict_types=1);

namespace App\Reading\Places;

use DateTimeImmutable;
use FigPorch\Core\Reading\Locator;

/** What a device sends of reading: where, and when by its own clock. */
trait FromDevice
{
    /** @return array<string, list<string>> */
    protected function locatorRules(): array
    {
        return [
            'sent_at' => ['required', 'integer', 'min:0'],
            'locator' => ['required', 'array:href,type,title,locations,text'],
            'locator.href' => ['required', 'string', 'max:1000'],
            'locator.type' => ['required', 'string', 'max:100'],
            'locator.locations' => ['required', 'array:progression,position,totalProgression,fragments'],
            'locator.locations.progression' => ['required', 'numeric', 'between:0,1'],
            'locator.locations.totalProgression' => ['required', 'numeric', 'between:0,1'],
            'locator.locations.position' => ['nullable', 'integer', 'min:1'],
            'locator.locations.fragments' => ['nullable', 'array', 'max:3'],
            'locator.locations.fragments.*' => ['string', 'max:1000'],
            'locator.text' => ['nullable', 'array:before,highlight,after'],
            'locator.text.*' => ['nullable', 'string', 'max:4000'],
        ];
    }

    public function locator(): Locator
    {
        return Locator::fromArray((array) $this->validated('locator'));
    }

    /** The device's own time, corrected by what its clock is off by at this moment; never in the future. */
    protected function happened(string $field, DateTimeImmutable $now): DateTimeImmutable
    {
        $millisecondsAgo = max(0, $this->integer('sent_at') - $this->integer($field));

        return $now->modify('-' . min($millisecondsAgo, 400 * 86_400_000) . ' milliseconds');
    }
}
