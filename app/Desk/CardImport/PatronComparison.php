<?php

declare(strict_types=1);

namespace App\Desk\CardImport;

use App\Desk\Patrons\CardRequest;
use App\Models\Card;
use App\Models\CardImport;
use App\Shared\Sql;
use DateTimeImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;

/**
 * What the rows of a file would do to the cards of a library. A row is of the card with its number; without one, of the
 * card with its mail address, or else of the only one with its name in its class. What a row leaves empty stays as it
 * is; a PIN is for new cards alone.
 */
final class PatronComparison
{
    /** @var array<string, int> line by number, by which another is the same number twice */
    private array $numbers = [];

    /** @var array<int, int> line by card */
    private array $cards = [];

    public function __construct(private readonly CardImport $import, private readonly DateTimeImmutable $now) {}

    /** @param  list<PatronRow>  $rows */
    public function add(array $rows): void
    {
        $byNumber = $this->withPerson()
            ->whereIn('number', array_filter(array_column($rows, 'number')))
            ->get()
            ->keyBy('number');
        $made = array_map(fn(PatronRow $row): array => $this->compare($row, $byNumber), $rows);
        foreach (array_chunk($made, 200) as $chunk) {
            DB::table('card_import_rows')->insert($chunk);
        }
    }

    /** Cards of a group that the file does not name: with the file complete, they have left. */
    public function leavers(): void
    {
        $group = $this->import->settings['leavers'];
        if ($group === null) {
            return;
        }
        DB::insert(
            "insert into card_import_rows (card_import_id, outcome, given, changes, card_id)
                select ?, 'left', jsonb_build_object('number', c.number, 'name', p.name, 'class', c.class),
                    jsonb_build_object('expires_at', jsonb_build_array(c.expires_at, ?::timestamptz)), c.id
                from cards c join people p on p.id = c.person_id
                where c.library_id = ? and c.patron_group = ? and (c.expires_at is null or c.expires_at > ?)
                    and not exists (select from card_import_rows r where r.card_import_id = ? and r.card_id = c.id)
                order by p.name, c.id",
            [
                $this->import->id,
                Sql::second($this->now),
                $this->import->library_id,
                $group,
                Sql::second($this->now),
                $this->import->id,
            ],
        );
    }

    /**
     * @param  Collection<array-key, Card>  $byNumber
     * @return array<string, int|string|null> a row of card_import_rows
     */
    private function compare(PatronRow $row, Collection $byNumber): array
    {
        $why = $row->why;
        $card = null;
        if ($why === null && $row->number !== null) {
            $why = isset($this->numbers[$row->number]) ? 'twice' : null;
            $this->numbers[$row->number] ??= $row->line;
            $card = $byNumber[$row->number] ?? null;
        } elseif ($why === null) {
            $cards = $this->like($row);
            $why = count($cards) > 1 ? 'which_one' : null;
            $card = $cards[0] ?? null;
        }
        if ($why === null && $card !== null) {
            $why = isset($this->cards[$card->id]) ? 'twice' : null;
            $this->cards[$card->id] ??= $row->line;
        }
        $changes = $why === null && $card !== null ? $this->changes($row, $card) : [];

        return [
            'card_import_id' => $this->import->id,
            'line' => $row->line,
            'outcome' => match (true) {
                $why !== null => 'refused',
                $card === null => 'new',
                $changes === [] => 'same',
                isset($changes['patron_group']) || isset($changes['class']) => 'moved',
                default => 'changed',
            },
            'given' => json_encode((object) $row->given(), JSON_THROW_ON_ERROR),
            'changes' => $changes === [] ? null : json_encode($changes, JSON_THROW_ON_ERROR),
            'why' => $why,
            // A row that is refused is of somebody all the same: they have not left.
            'card_id' => ($card ?? $byNumber->get((string) $row->number))?->id,
            'pin' => $why === null && $card === null && $row->pin !== null ? encrypt($row->pin) : null,
        ];
    }

    /** @return array<string, array{string|null, string|null}> before and after */
    private function changes(PatronRow $row, Card $card): array
    {
        $day = $row->expires ?? $this->import->settings['expires'];
        $expires = CardRequest::endOfDay($day, $this->import->library->zone());
        $isOver = $card->expires_at !== null && $card->expires_at <= $this->now;
        $changes = [
            'patron_group' => [$card->patron_group, $row->group ?? $card->patron_group],
            'class' => [$card->class, $row->class ?? $card->class],
            'expires_at' => [
                $card->expires_at?->utc()->format('c'),
                match (true) {
                    $expires !== null => $expires->setTimezone(new \DateTimeZone('UTC'))->format('c'),
                    // Who is in the file is a patron again.
                    $isOver => null,
                    default => $card->expires_at?->utc()->format('c'),
                },
            ],
        ];
        if (!(bool) $card->getAttribute('is_elsewhere')) {
            $changes['name'] = [$card->person->name, $row->name];
            $changes['email'] = [$card->person->email, $row->email ?? $card->person->email];
        }

        return array_filter($changes, fn(array $of): bool => $of[0] !== $of[1]);
    }

    /** @return list<Card> at most two */
    private function like(PatronRow $row): array
    {
        $byMail = $row->email === null ? [] : $this->ofPeople('lower(email) = lower(?)', $row->email)->all();
        if ($byMail !== []) {
            return array_values($byMail);
        }
        $byName = $this->ofPeople('lower(name) = lower(?)', $row->name);

        return array_values($row->class === null ? $byName->all() : $byName->where('class', $row->class)->all());
    }

    /** @return Collection<int, Card> */
    private function ofPeople(string $condition, string $value): Collection
    {
        return $this->withPerson()
            ->whereIn(
                'person_id',
                DB::table('people')
                    ->select('id')
                    ->whereRaw($condition, [$value]),
            )
            ->limit(2)
            ->get();
    }

    /** @return Builder<Card> with whether its person has a card at another library */
    private function withPerson(): Builder
    {
        return Card::query()
            ->with('person')
            ->where('library_id', $this->import->library_id)
            ->select('cards.*')
            ->selectRaw(
                'exists (select from cards o where o.person_id = cards.person_id
                    and o.library_id <> cards.library_id) as is_elsewhere',
            );
    }
}
