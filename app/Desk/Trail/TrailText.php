<?php

declare(strict_types=1);

namespace App\Desk\Trail;

use FigPorch\Core\Lending\LicenceModel;
use stdClass;

/** A change of the audit trail in words. */
final class TrailText
{
    /** @param  stdClass  $row  of desk_changes */
    public static function what(stdClass $row): string
    {
        return __("trail.what.{$row->what}");
    }

    /** @return list<string> "Role: Lending → Director" */
    public static function facts(stdClass $row): array
    {
        $texts = [];
        /** @var array<string, array{string|int|bool|null, string|int|bool|null}> $facts */
        $facts = json_decode($row->facts, true);
        foreach ($facts as $name => [$before, $after]) {
            $of = __("trail.facts.{$name}");
            $texts[] =
                $before === null
                    ? "{$of}: " . self::value($name, $after)
                    : "{$of}: " . self::value($name, $before) . ' → ' . self::value($name, $after);
        }

        return $texts;
    }

    private static function value(string $name, string|int|bool|null $value): string
    {
        return match (true) {
            $value === null => __('trail.nothing'),
            is_bool($value) => $value ? __('trail.yes') : __('trail.no'),
            $name === 'licence' && LicenceModel::tryFrom((string) $value) !== null => __("desk.models.{$value}"),
            $name === 'batch' => __("batches.what.{$value}"),
            $name === 'role' => __("staff.roles.{$value}.0"),
            default => (string) $value,
        };
    }
}
