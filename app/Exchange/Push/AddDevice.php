<?php

declare(strict_types=1);

namespace App\Exchange\Push;

use App\Models\Person;
use App\Models\PushDevice;
use DateTimeImmutable;
use FigPorch\Core\Exchange\Push\Base64Url;
use FigPorch\Core\Exchange\Push\Endpoint;
use FigPorch\Core\Exchange\Push\P256;
use InvalidArgumentException;

/** Remembers where notices of a person are to be shown besides. */
final class AddDevice
{
    private const MOST = 10;

    private const SECRET = 16;

    /** @throws InvalidArgumentException if it is not what a browser gives */
    public function __invoke(
        Person $person,
        string $endpoint,
        string $key,
        string $secret,
        DateTimeImmutable $now,
    ): void {
        if (
            Endpoint::parse($endpoint, config('figporch.push_stand_in')) === null ||
            strlen((string) Base64Url::decode($secret)) !== self::SECRET
        ) {
            throw new InvalidArgumentException('This is no endpoint, or its secret is none.');
        }
        P256::publicKey((string) Base64Url::decode($key));
        // A browser that somebody else used before now shows the notices of who is signed in.
        PushDevice::query()->upsert(
            [
                [
                    'endpoint' => $endpoint,
                    'person_id' => $person->id,
                    'key' => rtrim($key, '='),
                    'secret' => rtrim($secret, '='),
                    'added_at' => $now,
                ],
            ],
            ['endpoint'],
            ['person_id', 'key', 'secret', 'added_at'],
        );
        $newest = PushDevice::query()
            ->where('person_id', $person->id)
            ->orderByDesc('added_at')
            ->orderByDesc('id')
            ->limit(self::MOST)
            ->pluck('id');
        PushDevice::query()->where('person_id', $person->id)->whereNotIn('id', $newest)->delete();
    }
}
