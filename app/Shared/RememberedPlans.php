<?php

declare(strict_types=1);

namespace App\Shared;

use Illuminate\Database\PostgresConnection;
use PDO;
use PDOException;

/**
 * A connection that outlives the request, and whose statements do too: PostgreSQL reads and plans a question once, and
 * again only where its values ask for another plan. Each is prepared in the database under a name made of its text.
 */
final class RememberedPlans extends PostgresConnection
{
    /** So many for each connection at most; then it begins anew. Each takes some tens of kilobytes. */
    private const MOST = 300;

    private const NOT_THERE = '26000';

    /** A table has other columns than when it was prepared. */
    private const CHANGED = '0A000';

    /** A quoted text or name, or a comment, which are left alone; or the place of a value, or what stands for "?". */
    private const PARTS = '/\'(?:[^\']|\'\')*\'|"[^"]*"|--[^\n]*|\/\*.*?\*\/|\?\?|\?/s';

    /**
     * Not several values in brackets: lists are of many lengths, each another question, and of a function that is
     * called with some there is little to plan. And how titles are best looked for depends on how common the words are,
     * which a plan made for any words does not know.
     */
    private const NOT_KEPT = '/\(\?, \?|@@|\bsearch_rows\b/';

    /**
     * @param  string  $query
     * @param  array<int|string, mixed>  $bindings
     * @param  bool  $useReadPdo
     * @return list<mixed>
     */
    public function select($query, $bindings = [], $useReadPdo = true): array
    {
        if ($this->transactions > 0 || $this->pretending() || preg_match(self::NOT_KEPT, $query) === 1) {
            return array_values(parent::select($query, $bindings, $useReadPdo));
        }
        $statement = self::numbered($query, count($bindings));

        return $statement === null || !array_is_list($bindings)
            ? array_values(parent::select($query, $bindings, $useReadPdo))
            : $this->run(
                $query,
                $bindings,
                fn(string $query, array $bindings): array => $this->answer(
                    $this->getPdoForSelect($useReadPdo),
                    $statement,
                    array_values($this->prepareBindings($bindings)),
                ),
            );
    }

    /** @return string|null with $1, $2 … for its values; null if they are not so many */
    private static function numbered(string $query, int $values): ?string
    {
        $n = 0;
        $numbered = preg_replace_callback(
            self::PARTS,
            function (array $part) use (&$n): string {
                return match ($part[0]) {
                    '?' => '$' . ++$n,
                    '??' => '?',
                    default => $part[0],
                };
            },
            $query,
        );

        return $n === $values ? $numbered : null;
    }

    /**
     * @param  list<mixed>  $values
     * @return list<mixed>
     */
    private function answer(PDO $pdo, string $statement, array $values): array
    {
        $name = 'plan_' . hash('xxh128', $statement);
        try {
            return $this->execute($pdo, $name, $values);
        } catch (PDOException $fault) {
            match ((string) $fault->getCode()) {
                self::NOT_THERE => $this->makeRoom($pdo),
                self::CHANGED => $pdo->exec("deallocate {$name}"),
                default => throw $fault,
            };
        }
        $pdo->exec("prepare {$name} as {$statement}");

        return $this->execute($pdo, $name, $values);
    }

    /**
     * @param  list<mixed>  $values
     * @return list<mixed>
     */
    private function execute(PDO $pdo, string $name, array $values): array
    {
        $places = implode(', ', array_fill(0, count($values), '?'));
        // EXECUTE takes values in its text alone: PDO writes them there.
        $execute = $this->prepared(
            $pdo->prepare("execute {$name}" . ($places === '' ? '' : "({$places})"), [
                PDO::ATTR_EMULATE_PREPARES => true,
            ]),
        );
        foreach ($values as $n => $value) {
            // Not as numbers, whose type would be settled: text takes the type that the question gives its place.
            $execute->bindValue($n + 1, $value, $value === null ? PDO::PARAM_NULL : PDO::PARAM_STR);
        }
        $execute->execute();

        return array_values($execute->fetchAll());
    }

    private function makeRoom(PDO $pdo): void
    {
        if (parent::select('select count(*) n from pg_prepared_statements')[0]->n >= self::MOST) {
            $pdo->exec('deallocate all');
        }
    }
}
