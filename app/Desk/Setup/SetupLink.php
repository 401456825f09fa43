<?php

declare(strict_types=1);

namespace App\Desk\Setup;

use App\Models\StaffMember;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * The link by which the first member of staff comes in, where there is none yet: whoever runs the machine is given it,
 * it is good once, and only its hash is kept. A newer one takes the place of an older.
 */
final class SetupLink
{
    private const LETTERS = 40;

    /** @return string|null its key; null where somebody can sign in at the Desk already */
    public function make(): ?string
    {
        return DB::transaction(function (): ?string {
            $this->alone();
            if (StaffMember::query()->exists()) {
                return null;
            }
            $key = Str::random(self::LETTERS);
            DB::table('setup_links')->delete();
            DB::table('setup_links')->insert(['key_hash' => hash('sha256', $key), 'made_at' => now()]);

            return $key;
        });
    }

    public function isGood(string $key): bool
    {
        return DB::table('setup_links')->where('key_hash', hash('sha256', $key))->exists();
    }

    /**
     * Does what it is good for, unless it has been used at the same moment.
     *
     * @template T
     *
     * @param  callable(): T  $work
     * @return T|null null where it is not good any more
     */
    public function use(string $key, callable $work): mixed
    {
        return DB::transaction(function () use ($key, $work): mixed {
            $this->alone();
            $used = DB::table('setup_links')->where('key_hash', hash('sha256', $key))->delete();

            return $used === 0 || StaffMember::query()->exists() ? null : $work();
        });
    }

    private function alone(): void
    {
        DB::select('select pg_advisory_xact_lock(hashtextextended(?, 3))', [self::class]);
    }
}
