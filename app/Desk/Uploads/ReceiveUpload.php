<?php

declare(strict_types=1);

namespace App\Desk\Uploads;

use App\Models\StaffMember;
use App\Models\Upload;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use RuntimeException;

/** Files come in parts, each where the last one ended: one that broke off goes on from there. */
final class ReceiveUpload
{
    /** Of one file. */
    public const MOST_BYTES = 2_000_000_000;

    /** Of a part; nginx lets no more through. */
    public const MOST_OF_PART = 1_500_000;

    /** What must stay free of the disk, for everybody. */
    private const FREE_BYTES = 1_000_000_000;

    /** @return Upload|null null where the disk has no room for it */
    public function begin(StaffMember $staff, string $name, int $bytes, CarbonImmutable $now): ?Upload
    {
        $coming = (int) Upload::query()->sum(DB::raw('bytes - received'));
        $free = disk_free_space(storage_path());
        if ($free !== false && $free - $coming - $bytes < self::FREE_BYTES) {
            return null;
        }

        return Upload::query()->create([
            'id' => (string) Str::uuid(),
            'library_id' => $staff->library_id,
            'staff_member_id' => $staff->id,
            'name' => mb_substr($name, 0, 255),
            'bytes' => $bytes,
            'received' => 0,
            'begun_at' => $now,
        ]);
    }

    /**
     * @param  int<0, max>  $at
     * @return int|null how much is there now; null where this is not the part that comes next, or more than the
     *     file
     */
    public function part(Upload $upload, int $at, string $part): ?int
    {
        return DB::transaction(function () use ($upload, $at, $part): ?int {
            // One window after the other, should two send the same.
            $upload = Upload::query()->lockForUpdate()->findOrFail($upload->id);
            if ($at !== $upload->received || $at + strlen($part) > $upload->bytes) {
                return null;
            }
            $path = $upload->path();
            is_dir(dirname($path)) || mkdir(dirname($path), 0o755, true);
            $file = fopen($path, 'c') ?: throw new RuntimeException('The upload cannot be written.');
            // What a process that was ended in between has left comes again.
            $written = ftruncate($file, $at) && fseek($file, $at) === 0 && fwrite($file, $part) === strlen($part);
            (fclose($file) && $written) || throw new RuntimeException('The upload was not written.');
            $upload->update(['received' => $at + strlen($part)]);

            return $at + strlen($part);
        });
    }

    /**
     * Whole ones of those that are named.
     *
     * @param  list<string>  $ids
     * @return list<Upload> in the order of their names; those that are not this member's are left out
     */
    public function whole(StaffMember $staff, array $ids): array
    {
        $whole = Upload::query()
            ->whereIn('id', array_filter($ids, Str::isUuid(...)))
            ->where(['staff_member_id' => $staff->id, 'library_id' => $staff->library_id])
            ->whereColumn('received', 'bytes')
            ->where(fn(Builder $q) => $q->where('bytes', '>', 0))
            ->orderBy('name')
            ->get();

        return array_values($whole->all());
    }

    /** It has been taken in, or nobody will. */
    public static function forget(Upload $upload): void
    {
        @unlink($upload->path());
        $upload->delete();
    }
}
