<?php

declare(strict_types=1);

namespace App\Exchange\Sending;

use App\Models\Folder;
use App\Models\Person;
use DateTimeImmutable;
use FigPorch\Core\Exchange\Sending\FolderAddress;
use FigPorch\Core\Exchange\Sending\Undelivered;

/** A person's folder elsewhere: kept once it took a first file. */
final class KeepFolder
{
    private const FIRST = 'Fig Porch.txt';

    public function __construct(private readonly KeepInFolder $keepIn) {}

    /** @return Undelivered|null why it is not kept */
    public function keep(
        Person $person,
        string $address,
        string $name,
        string $secret,
        DateTimeImmutable $now,
    ): ?Undelivered {
        $at = FolderAddress::parse($address, config('figporch.folder_stand_in'));
        if ($at === null) {
            return Undelivered::Closed;
        }
        $folder = new Folder([
            'person_id' => $person->id,
            'address' => $at->address,
            'name' => $name,
            'secret' => $secret,
            'kept_at' => $now,
        ]);
        try {
            $this->keepIn->try($folder, self::FIRST, __('sending.first_file') . "\n");
        } catch (CannotDeliver $refused) {
            return $refused->why;
        }
        Folder::query()->updateOrCreate(
            ['person_id' => $person->id],
            ['address' => $at->address, 'name' => $name, 'secret' => $secret, 'kept_at' => $now],
        );

        return null;
    }

    public function remove(Person $person): void
    {
        Folder::query()->whereKey($person->id)->delete();
    }
}
