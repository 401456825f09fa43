<?php

declare(strict_types=1);

namespace App\Shared;

use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use RuntimeException;

/**
 * The SQL functions and triggers of database/functions. They are loaded after migrating, all of them together and from
 * nothing, whenever one of their files differs from what is loaded: a function that is in no file any more goes.
 */
final class SqlFunctions
{
    /**
     * To match words a record's words are fetched from out of line first: dearer than the planner takes it for, which
     * else reads a whole catalogue of them. A dump does not keep what is set of a system function.
     */
    private const MATCHING_COST = 10_000;

    private const LOCK = 0xf16f0;

    /** Functions that are not an extension's, and that no index is built on. */
    private const OURS = <<<'SQL'
    select p.oid::regprocedure::text oid from pg_proc p where p.pronamespace = 'public'::regnamespace
        and not exists (select from pg_depend d where d.objid = p.oid and d.classid = 'pg_proc'::regclass
            and d.deptype = 'e')
        and not exists (select from pg_depend d
            where d.refobjid = p.oid and d.refclassid = 'pg_proc'::regclass and d.classid = 'pg_class'::regclass)
    SQL;

    /**
     * @return bool whether anything had to be loaded
     *
     * @throws RuntimeException where the folder has no files: what is loaded stays
     */
    public static function bringUpToDate(string $folder): bool
    {
        self::setMatchingCost();
        $files = [];
        foreach ((array) glob("{$folder}/*/*.sql") as $file) {
            $files[(string) $file] = (string) file_get_contents((string) $file);
        }
        $files !== [] || throw new RuntimeException("There are no functions in {$folder}.");
        $mark = 'functions ' . hash('sha256', implode('', $files));

        return DB::transaction(function () use ($files, $mark): bool {
            DB::select('select pg_advisory_xact_lock(?)', [self::LOCK]);
            $ours = array_column(DB::select(self::OURS), 'oid');
            if (
                $ours !== [] &&
                DB::scalar("select obj_description('public'::regnamespace, 'pg_namespace')") === $mark
            ) {
                return false;
            }
            if ($ours !== []) {
                // With the triggers that call them, which stand in the same files.
                DB::unprepared('drop function ' . implode(', ', $ours) . ' cascade');
            }
            self::load($files);
            DB::unprepared("comment on schema public is '{$mark}'");

            return true;
        });
    }

    /**
     * Each file once those are there that it needs.
     *
     * @param  array<string, string>  $files
     */
    private static function load(array $files): void
    {
        while ($files !== []) {
            $before = count($files);
            foreach ($files as $name => $sql) {
                try {
                    DB::transaction(fn() => DB::unprepared($sql));
                    unset($files[$name]);
                } catch (QueryException $missing) {
                    // 42883: a function that it calls is not there yet.
                    if ($missing->getCode() !== '42883') {
                        throw $missing;
                    }
                }
            }
            if (isset($missing) && count($files) === $before) {
                throw $missing;
            }
        }
    }

    private static function setMatchingCost(): void
    {
        $function = 'pg_catalog.ts_match_vq(tsvector, tsquery)';
        if (
            (float) DB::scalar('select procost from pg_proc where oid = ?::regprocedure', [$function]) !==
            (float) self::MATCHING_COST
        ) {
            $cost = self::MATCHING_COST;
            // Only the database's owner of all may say so; anybody else goes on with plans that are not as good.
            DB::unprepared(
                <<<SQL
                do \$\$ begin
                    alter function {$function} cost {$cost};
                exception when insufficient_privilege then
                    raise notice 'ask an administrator: alter function {$function} cost {$cost}';
                end \$\$;
                SQL
                ,
            );
        }
    }
}
