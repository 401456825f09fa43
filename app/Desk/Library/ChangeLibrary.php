<?php

declare(strict_types=1);

namespace App\Desk\Library;

use App\Desk\Trail\ChangeKind;
use App\Desk\Trail\RecordChange;
use App\Models\ClosedDays;
use App\Models\Library;
use App\Models\StaffMember;
use Carbon\CarbonImmutable;
use FigPorch\Core\Catalogue\FrontRow;
use FigPorch\Core\Look\LibraryLook;
use Illuminate\Support\Facades\DB;

/** What a library is, how it looks, what stands on its front door, when nobody is at its desk. */
final class ChangeLibrary
{
    public function __construct(private readonly RecordChange $recordChange) {}

    /** @param  array<string, mixed>  $settings  columns */
    public function settings(StaffMember $by, array $settings, CarbonImmutable $now): void
    {
        $this->change($by, $settings, $now);
    }

    /** @param  LibraryLook|null  $look  null for Fig Porch's own */
    public function colours(StaffMember $by, ?LibraryLook $look, CarbonImmutable $now): void
    {
        $this->change($by, ['roof_colour' => $look?->roof->hex(), 'door_colour' => $look?->door->hex()], $now);
    }

    /** @param  string|null  $logo  SHA-256 of a picture that is kept; null for none */
    public function logo(StaffMember $by, ?string $logo, CarbonImmutable $now): void
    {
        $this->change($by, ['logo' => $logo], $now);
    }

    /** @param  list<FrontRow>  $rows */
    public function front(StaffMember $by, array $rows, CarbonImmutable $now): void
    {
        $this->change($by, ['front_rows' => array_map(fn(FrontRow $row): array => $row->toArray(), $rows)], $now);
    }

    public function close(StaffMember $by, string $first, string $last, string $name, CarbonImmutable $now): void
    {
        DB::transaction(function () use ($by, $first, $last, $name, $now): void {
            $days = ['library_id' => $by->library_id, 'first_day' => $first, 'last_day' => $last, 'name' => $name];
            // Sent twice, once.
            if (ClosedDays::query()->where($days)->doesntExist()) {
                ClosedDays::query()->create($days);
                $this->write($by, ['closed_days' => [null, "{$first} – {$last}"]], $now);
            }
        });
    }

    public function open(StaffMember $by, ClosedDays $days, CarbonImmutable $now): void
    {
        DB::transaction(function () use ($by, $days, $now): void {
            $days->delete();
            $this->write($by, ['closed_days' => ["{$days->first_day} – {$days->last_day}", null]], $now);
        });
    }

    /** @param  array<string, mixed>  $columns */
    private function change(StaffMember $by, array $columns, CarbonImmutable $now): void
    {
        DB::transaction(function () use ($by, $columns, $now): void {
            $library = Library::query()->lockForUpdate()->findOrFail($by->library_id);
            $before = $library->only(array_keys($columns));
            $library->fill($columns);
            $facts = [];
            foreach (array_keys($library->getDirty()) as $name) {
                $facts["library_{$name}"] = [self::said($before[$name]), self::said($columns[$name])];
            }
            $library->save();
            $facts === [] || $this->write($by, $facts, $now);
        });
    }

    /** @param  array<string, array{string|int|bool|null, string|int|bool|null}>  $facts */
    private function write(StaffMember $by, array $facts, CarbonImmutable $now): void
    {
        ($this->recordChange)($by, ChangeKind::LibraryChanged, $by->library->short_name, $facts, $now);
    }

    private static function said(mixed $value): string|int|bool|null
    {
        return match (true) {
            is_array($value) => implode(
                ', ',
                array_map(fn(mixed $of): string => is_array($of) ? (string) $of['kind'] : (string) $of, $value),
            ),
            is_string($value) && preg_match('/^[0-9a-f]{64}$/D', $value) === 1 => substr($value, 0, 8),
            is_string($value), is_int($value), is_bool($value), $value === null => $value,
            default => null,
        };
    }
}
