<?php

declare(strict_types=1);

namespace App\Desk\Rules;

use App\Desk\Trail\ChangeKind;
use App\Desk\Trail\RecordChange;
use App\Lending\LoanRules\LibraryRules;
use App\Lending\LoanRules\StoreRule;
use App\Models\StaffMember;
use App\Shared\Sql;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Lending\LoanRule;
use FigPorch\Core\Lending\RuleField;
use FigPorch\Core\Lending\RuleTable;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Changes a library's loan rules, at once or from a day on; what they were can be brought back. */
final class ChangeRule
{
    public function __construct(private readonly StoreRule $storeRule, private readonly RecordChange $recordChange) {}

    /**
     * @param  string  $seen  the rule as who changes it saw it
     * @param  DateTimeImmutable|null  $from  null: at once
     * @return bool false where somebody changed it meanwhile
     */
    public function change(
        StaffMember $by,
        LoanRule $rule,
        string $seen,
        ?DateTimeImmutable $from,
        DateTimeImmutable $now,
    ): bool {
        return DB::transaction(function () use ($by, $rule, $seen, $from, $now): bool {
            $before = $this->lock($by->library_id)->rule($rule->group, $rule->format);
            if (RuleInput::seen($before) !== $seen) {
                return false;
            }
            [$was, $will] = self::difference($before, $rule);
            if ($was === []) {
                return true;
            }
            DB::table('loan_rule_changes')->insert([
                'library_id' => $by->library_id,
                'staff_member_id' => $by->id,
                'patron_group' => $rule->group,
                'format' => $rule->format?->value,
                'before' => json_encode($was, JSON_THROW_ON_ERROR),
                'after' => json_encode($will, JSON_THROW_ON_ERROR),
                'asked_at' => Sql::second($now),
                'applies_at' => Sql::second($from ?? $now),
                'state' => $from === null ? 'done' : 'planned',
            ]);
            $from === null && ($this->storeRule)($by->library_id, $rule);
            $this->record(
                by: $by,
                what: $from === null ? ChangeKind::RuleChanged : ChangeKind::RulePlanned,
                rule: $rule,
                was: $was,
                will: $will,
                now: $now,
            );

            return true;
        });
    }

    /** A group that has no rule of its own yet: from now on cards can be in it. */
    public function addGroup(StaffMember $by, string $group, DateTimeImmutable $now): void
    {
        DB::transaction(function () use ($by, $group, $now): void {
            $this->lock($by->library_id);
            ($this->storeRule)($by->library_id, new LoanRule(group: $group));
            ($this->recordChange)($by, ChangeKind::GroupAdded, $group, [], $now);
        });
    }

    /**
     * Brings back what was before a change; what is planned is taken back.
     *
     * @return bool false where it is not as the change left it
     */
    public function undo(StaffMember $by, int $changeId, DateTimeImmutable $now): bool
    {
        return DB::transaction(function () use ($by, $changeId, $now): bool {
            $table = $this->lock($by->library_id);
            $change = DB::table('loan_rule_changes')
                ->where('library_id', $by->library_id)
                ->where('id', $changeId)
                ->where('state', '<>', 'withdrawn')
                ->first();
            if ($change === null) {
                return false;
            }
            $rule = $table->rule($change->patron_group, self::format($change));
            [$was, $will] = self::sides($change);
            if ($change->state === 'done') {
                foreach ($will as $field => $code) {
                    if (RuleField::from($field)->code($rule) !== $code) {
                        return false;
                    }
                }
                ($this->storeRule)($by->library_id, self::changed($rule, $was));
            }
            DB::table('loan_rule_changes')
                ->where('id', $change->id)
                ->update(['state' => 'withdrawn']);
            $this->record(by: $by, what: ChangeKind::RuleUndone, rule: $rule, was: $will, will: $was, now: $now);

            return true;
        });
    }

    /** What was planned for now and before; each change is of the fields that it names, whatever else has changed. */
    public function due(DateTimeImmutable $now): void
    {
        $due = DB::table('loan_rule_changes')->where('state', 'planned')->where('applies_at', '<=', Sql::second($now));
        foreach (
            $due
                ->orderBy('applies_at')
                ->orderBy('id')
                ->get(['id', 'library_id'])
            as $planned
        ) {
            DB::transaction(function () use ($planned): void {
                $table = $this->lock($planned->library_id);
                $change = DB::table('loan_rule_changes')->where('id', $planned->id)->where('state', 'planned')->first();
                if ($change === null) {
                    return;
                }
                $rule = $table->rule($change->patron_group, self::format($change));
                [, $will] = self::sides($change);
                $was = [];
                foreach (array_keys($will) as $field) {
                    $was[$field] = RuleField::from($field)->code($rule);
                }
                ($this->storeRule)($planned->library_id, self::changed($rule, $will));
                DB::table('loan_rule_changes')
                    ->where('id', $change->id)
                    ->update(['state' => 'done', 'before' => json_encode($was, JSON_THROW_ON_ERROR)]);
            });
        }
    }

    private function lock(int $libraryId): RuleTable
    {
        DB::select('select from libraries where id = ? for update', [$libraryId]);

        return new RuleTable(
            LibraryRules::fromRows(DB::select('select * from loan_rules where library_id = ?', [$libraryId])),
        );
    }

    /** @param  array<string, string>  $codes  by field */
    private static function changed(LoanRule $rule, array $codes): LoanRule
    {
        $all = [];
        foreach (RuleField::cases() as $field) {
            $all[$field->value] = $codes[$field->value] ?? $field->code($rule);
        }

        return RuleInput::fromCodes($rule->group, $rule->format, $all);
    }

    /** @return array{array<string, string>, array<string, string>} the codes that differ, before and after */
    private static function difference(LoanRule $before, LoanRule $after): array
    {
        [$was, $will] = [[], []];
        foreach (RuleField::cases() as $field) {
            if ($field->code($before) !== $field->code($after)) {
                $was[$field->value] = $field->code($before);
                $will[$field->value] = $field->code($after);
            }
        }

        return [$was, $will];
    }

    /** @return array{array<string, string>, array<string, string>} before and after */
    private static function sides(stdClass $change): array
    {
        return [json_decode($change->before, true), json_decode($change->after, true)];
    }

    private static function format(stdClass $change): ?Format
    {
        return $change->format === null ? null : Format::from($change->format);
    }

    /**
     * @param  array<string, string>  $was
     * @param  array<string, string>  $will
     */
    private function record(
        StaffMember $by,
        ChangeKind $what,
        LoanRule $rule,
        array $was,
        array $will,
        DateTimeImmutable $now,
    ): void {
        $facts = [];
        foreach ($will as $field => $code) {
            $facts["rule_{$field}"] = [$was[$field] === '' ? '–' : $was[$field], $code === '' ? '–' : $code];
        }
        ($this->recordChange)($by, $what, RuleText::scope($rule->group, $rule->format), $facts, $now);
    }
}
