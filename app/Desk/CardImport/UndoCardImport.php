<?php

declare(strict_types=1);

namespace App\Desk\CardImport;

use App\Desk\Patrons\ChangeCard;
use App\Desk\Patrons\EndCard;
use App\Desk\Trail\ChangeKind;
use App\Desk\Trail\RecordChange;
use App\Models\CardImport;
use App\Models\CardImportRow;
use App\Shared\OneAtATime;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\DB;

/**
 * Undoes a whole import, the last row first: new cards go, what was changed is as it was. A card that is in use, or was
 * changed since, stays as it is, and that is said.
 */
final class UndoCardImport implements ShouldQueue
{
    use Queueable;

    private const TOGETHER = 10;

    private const SECONDS = 20;

    public int $tries = 20;

    public function __construct(private readonly int $importId)
    {
        $this->onConnection('imports')->onQueue('imports');
    }

    public function handle(ChangeCard $changeCard, EndCard $endCard, RecordChange $recordChange): void
    {
        OneAtATime::run(self::class . $this->importId, fn() => $this->goOn($changeCard, $endCard, $recordChange));
    }

    private function goOn(ChangeCard $changeCard, EndCard $endCard, RecordChange $recordChange): void
    {
        $import = CardImport::query()
            ->with(['library', 'member'])
            ->find($this->importId);
        if ($import === null || $import->stage !== 'undoing') {
            return;
        }
        $import->member->goTo($import->library_id);
        $until = CarbonImmutable::now()->addSeconds(self::SECONDS);
        do {
            $rows = $import
                ->rows()
                ->with('card.person')
                ->where('done', true)
                ->orderByDesc('id')
                ->limit(self::TOGETHER)
                ->get();
            if ($rows->isEmpty()) {
                $recordChange(
                    $import->member,
                    ChangeKind::CardsImportUndone,
                    $import->name,
                    [],
                    CarbonImmutable::now(),
                );
                $import->update(['stage' => 'undone', 'undone_at' => CarbonImmutable::now()]);

                return;
            }
            DB::transaction(function () use ($import, $rows, $changeCard, $endCard): void {
                foreach ($rows as $row) {
                    // First, since the row goes with a card that goes.
                    $row->update(['done' => false, 'pin' => null]);
                    $kept = $this->undo($import, $row, $changeCard, $endCard, CarbonImmutable::now());
                    $kept === null || $row->update(['kept' => $kept]);
                }
            });
        } while (CarbonImmutable::now() < $until);
        self::dispatch($this->importId);
    }

    /** @return string|null why it stays as it is */
    private function undo(
        CardImport $import,
        CardImportRow $row,
        ChangeCard $changeCard,
        EndCard $endCard,
        CarbonImmutable $now,
    ): ?string {
        $card = $row->card;
        if ($card === null) {
            return 'gone';
        }
        if ($row->outcome === 'new') {
            if ($card->loans_open + $card->holds_open > 0) {
                return 'in_use';
            }
            $endCard->erase($import->member, $card, $now);

            return null;
        }
        $changes = $row->changes ?? [];
        if (!ImportedFields::areNow($card, $changes, 1)) {
            return 'meanwhile';
        }
        [$person, $of] = ImportedFields::split($card, $changes, 0);
        $changeCard->describe($import->member, $card, $person, $of, $now);

        return null;
    }
}
