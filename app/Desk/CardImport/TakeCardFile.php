<?php

declare(strict_types=1);

namespace App\Desk\CardImport;

use App\Models\CardImport;
use App\Models\StaffMember;
use App\Models\Upload;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/** A file of patrons from being sent to being undone: each step once, whoever asks for it at the same moment. */
final class TakeCardFile
{
    /** @param  array{group: string, expires: string|null, leavers: string|null}  $settings */
    public function read(StaffMember $by, Upload $upload, array $settings, CarbonImmutable $now): CardImport
    {
        return DB::transaction(function () use ($by, $upload, $settings, $now): CardImport {
            $import = CardImport::query()->create([
                'library_id' => $by->library_id,
                'staff_member_id' => $by->id,
                'name' => $upload->name,
                // Who is new is written to in the language in which the file was sent.
                'settings' => $settings + ['locale' => app()->getLocale()],
                'stage' => 'reading',
                'asked_at' => $now,
            ]);
            ReadCardImport::dispatch($import->id, $upload->id);

            return $import;
        });
    }

    /** @return bool false where somebody else has begun it */
    public function apply(CardImport $import, StaffMember $by): bool
    {
        return $this->step($import, 'read', 'applying', $by, fn() => ApplyCardImport::dispatch($import->id));
    }

    /** @return bool false where somebody else has begun it */
    public function undo(CardImport $import, StaffMember $by): bool
    {
        return $this->step($import, 'applied', 'undoing', $by, fn() => UndoCardImport::dispatch($import->id));
    }

    /** Nothing of it was taken in, and nothing will be. */
    public function discard(CardImport $import): void
    {
        CardImport::query()
            ->whereKey($import->id)
            ->whereIn('stage', ['read', 'unreadable'])
            ->delete();
    }

    public function forgetPins(CardImport $import): void
    {
        $import
            ->rows()
            ->whereNotNull('pin')
            ->update(['pin' => null]);
    }

    private function step(CardImport $import, string $from, string $to, StaffMember $by, callable $work): bool
    {
        return DB::transaction(function () use ($import, $from, $to, $by, $work): bool {
            $changed = CardImport::query()
                ->whereKey($import->id)
                ->where('stage', $from)
                ->update(['stage' => $to, 'staff_member_id' => $by->id]);
            $changed === 1 && $work();

            return $changed === 1;
        });
    }
}
