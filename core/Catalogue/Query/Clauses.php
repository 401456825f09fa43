<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue\Query;

/**
 * A query as rows of a form, read from top to bottom: each is joined with all that stands above it. Not every query has
 * that shape; what has not is left over.
 */
final class Clauses
{
    /**
     * @param  list<Clause>  $clauses
     * @return Node|null null where they ask for nothing
     */
    public static function node(array $clauses): ?Node
    {
        $all = null;
        foreach ($clauses as $clause) {
            $node = $clause->node();
            if ($node === null) {
                continue;
            }
            $all = match (true) {
                $clause->joined === Joined::Not => self::and($all, new Not($node)),
                $all === null => $node,
                $clause->joined === Joined::Or => new Any([...$all instanceof Any ? $all->parts : [$all], $node]),
                default => self::and($all, $node),
            };
        }

        return $all;
    }

    /** Both; what asks for nothing asks for no more than the other. */
    public static function and(?Node $one, ?Node $other): ?Node
    {
        $parts = array_merge(
            ...array_map(fn(?Node $of): array => $of instanceof All ? $of->parts : array_filter([$of]), [$one, $other]),
        );

        return count($parts) > 1 ? new All($parts) : $parts[0] ?? null;
    }

    /**
     * @param  int  $most  clauses
     * @return array{list<Clause>, Node|null} the clauses, and what else must be so, which is in none of them
     */
    public static function of(?Node $node, int $most): array
    {
        if ($node === null) {
            return [[], null];
        }
        $parts = $node instanceof All ? $node->parts : [$node];
        $clauses = $left = [];
        // What is joined by "or" comes first: a row can only widen what stands above it.
        foreach ($parts as $n => $part) {
            if ($clauses === [] && $part instanceof Any && Clause::of($part) === null) {
                $rows = array_map(fn(Node $of): ?Clause => Clause::of($of, Joined::Or), $part->parts);
                if (!in_array(null, $rows, true) && count($rows) <= $most) {
                    $clauses = [
                        new Clause($rows[0]->words, $rows[0]->field, $rows[0]->matching),
                        ...array_slice($rows, 1),
                    ];
                    unset($parts[$n]);
                }
            }
        }
        foreach (self::gathered(array_values($parts)) as $part) {
            $clause = $part instanceof Not ? Clause::of($part->part, Joined::Not) : Clause::of($part);
            if ($clause === null || count($clauses) === $most) {
                $left[] = $part;
            } else {
                $clauses[] = $clause;
            }
        }

        return [$clauses, count($left) > 1 ? new All($left) : $left[0] ?? null];
    }

    /**
     * @param  list<Node>  $parts
     * @return list<Node> the same, with single words that follow one another in one field as one part
     */
    private static function gathered(array $parts): array
    {
        $gathered = [];
        foreach ($parts as $part) {
            $last = array_key_last($gathered);
            $together =
                $last !== null && $part instanceof Term && $gathered[$last] instanceof Term
                    ? new All([$gathered[$last], $part])
                    : ($last !== null && $part instanceof Term && $gathered[$last] instanceof All
                        ? new All([...$gathered[$last]->parts, $part])
                        : null);
            if ($together !== null && Clause::of($together) !== null) {
                $gathered[$last] = $together;
            } else {
                $gathered[] = $part;
            }
        }

        return $gathered;
    }
}
