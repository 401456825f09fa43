<?php

declare(strict_types=1);

namespace App\Desk\CardImport;

use App\Desk\Patrons\CardRequest;
use App\Desk\Patrons\ChangeCard;
use App\Desk\Trail\ChangeKind;
use App\Desk\Trail\RecordChange;
use App\Lending\Cards\IssueCards;
use App\Lending\Cards\NewCard;
use App\Models\Card;
use App\Models\CardImport;
use App\Models\CardImportRow;
use App\Shared\OneAtATime;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\DB;

/**
 * Takes a file of patrons in, some rows at a time: each with its mark that it is done, so that one that was ended from
 * without goes on where it was.
 */
final class ApplyCardImport implements ShouldQueue
{
    use Queueable;

    private const TOGETHER = 10;

    /** Then others that wait have their turn, and this goes on after them. */
    private const SECONDS = 20;

    public int $tries = 20;

    public function __construct(private readonly int $importId)
    {
        $this->onConnection('imports')->onQueue('imports');
    }

    public function handle(IssueCards $issueCards, ChangeCard $changeCard, RecordChange $recordChange): void
    {
        // Were there two workers, a row would be done twice.
        OneAtATime::run(self::class . $this->importId, fn() => $this->goOn($issueCards, $changeCard, $recordChange));
    }

    private function goOn(IssueCards $issueCards, ChangeCard $changeCard, RecordChange $recordChange): void
    {
        $import = CardImport::query()
            ->with(['library', 'member'])
            ->find($this->importId);
        if ($import === null || $import->stage !== 'applying') {
            return;
        }
        $import->member->goTo($import->library_id);
        $until = CarbonImmutable::now()->addSeconds(self::SECONDS);
        do {
            $rows = $import
                ->rows()
                ->with('card.person')
                ->where('done', false)
                ->whereIn('outcome', ['new', 'changed', 'moved', 'left'])
                ->orderBy('id')
                ->limit(self::TOGETHER)
                ->get();
            if ($rows->isEmpty()) {
                $this->end($import, $recordChange);

                return;
            }
            DB::transaction(function () use ($import, $rows, $issueCards, $changeCard, $recordChange): void {
                $now = CarbonImmutable::now();
                $new = $rows->where('outcome', 'new');
                $this->issue($import, $new, $issueCards, $recordChange, $now);
                foreach ($rows->diff($new) as $row) {
                    $this->change($import, $row, $changeCard, $now);
                }
            });
        } while (CarbonImmutable::now() < $until);
        self::dispatch($this->importId);
    }

    /** @param  Collection<int, CardImportRow>  $rows */
    private function issue(
        CardImport $import,
        Collection $rows,
        IssueCards $issueCards,
        RecordChange $recordChange,
        CarbonImmutable $now,
    ): void {
        $new = fn(CardImportRow $row): NewCard => new NewCard(
            name: (string) $row->given['name'],
            group: $row->given['group'] ?? $import->settings['group'],
            number: $row->given['number'] ?? null,
            email: $row->given['email'] ?? null,
            class: $row->given['class'] ?? null,
            expiresAt: CardRequest::endOfDay(
                $row->given['expires'] ?? $import->settings['expires'],
                $import->library->zone(),
            ),
            pin: $row->pin === null ? null : decrypt($row->pin),
            locale: $import->settings['locale'] ?? null,
        );
        $issued = $issueCards($import->library, array_values($rows->map($new)->all()));
        foreach ($rows->values() as $n => $row) {
            $card = $issued[$n];
            if ($card === null) {
                $row->update(['outcome' => 'refused', 'why' => 'taken', 'pin' => null]);

                continue;
            }
            // A PIN that the file says is known; one that was made is kept until staff have it.
            $pin = $row->pin === null ? encrypt($card->pin) : null;
            $row->update(['card_id' => $card->id, 'done' => true, 'pin' => $pin]);
            $recordChange($import->member, ChangeKind::CardIssued, Card::query()->findOrFail($card->id), [], $now);
        }
    }

    private function change(CardImport $import, CardImportRow $row, ChangeCard $changeCard, CarbonImmutable $now): void
    {
        $card = $row->card;
        $changes = $row->changes ?? [];
        if ($card === null || !ImportedFields::areNow($card, $changes, 0)) {
            // Somebody changed it after the file was read.
            $row->update(['outcome' => 'refused', 'why' => 'meanwhile']);

            return;
        }
        [$person, $of] = ImportedFields::split($card, $changes, 1);
        $changeCard->describe($import->member, $card, $person, $of, $now);
        $row->update(['done' => true]);
    }

    private function end(CardImport $import, RecordChange $recordChange): void
    {
        DB::transaction(function () use ($import, $recordChange): void {
            $counts = $import->rows()->where('done', true)->groupBy('outcome')->selectRaw('outcome, count(*) n')->get();
            $facts = [];
            foreach ($counts as $count) {
                $facts["cards_{$count->outcome}"] = [null, (int) $count->getAttribute('n')];
            }
            $recordChange($import->member, ChangeKind::CardsImported, $import->name, $facts, CarbonImmutable::now());
            $import->update(['stage' => 'applied', 'applied_at' => CarbonImmutable::now()]);
        });
    }
}
