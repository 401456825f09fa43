<?php

declare(strict_types=1);

namespace App\Exchange\Lcp;

use App\Models\Passphrase as KeptPassphrase;
use App\Models\Person;
use DateTimeImmutable;
use FigPorch\Core\Exchange\Lcp\Passphrase;

/**
 * What opens a person's protected files from now on; those of loans before go on opening with what they were made with.
 */
final class KeepPassphrase
{
    /** @return bool whether it was there before, as another */
    public function __invoke(
        Person $person,
        #[\SensitiveParameter] string $passphrase,
        string $hint,
        DateTimeImmutable $now,
    ): bool {
        $before = KeptPassphrase::query()->find($person->id);
        $userKey = Passphrase::userKey($passphrase);
        KeptPassphrase::query()->updateOrCreate(
            ['person_id' => $person->id],
            ['user_key' => $userKey, 'hint' => $hint, 'kept_at' => $now],
        );

        return $before !== null && $before->user_key !== $userKey;
    }
}
