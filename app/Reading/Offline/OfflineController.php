<?php

declare(strict_types=1);

namespace App\Reading\Offline;

use App\Models\Loan;
use App\Shared\RequestContext;
use Illuminate\Http\JsonResponse;
use Illuminate\View\View;

/** Loans on a device without a network. */
final class OfflineController
{
    /**
     * What is on this device. The page itself says nothing of anybody: it is kept there too, and opens without a
     * network.
     */
    public function device(): View
    {
        return view('reading.offline.offline');
    }

    /** The loans that are open, for a device to put its own right by. */
    public function loans(RequestContext $current): JsonResponse
    {
        $loans = Loan::query()
            ->whereIn('card_id', $current->person?->cards->modelKeys() ?? [])
            ->whereNull('ended_at')
            ->where('due_at', '>', now())
            ->get(['id', 'due_at']);

        return response()->json(
            $loans
                ->map(fn(Loan $loan): array => ['id' => $loan->id, 'due' => $loan->due_at->getTimestampMs()])
                ->values(),
        );
    }

    /** What there is to take of a loan. */
    public function files(Loan $loan): JsonResponse
    {
        $loan->load(['title.publication', 'licence']);
        $publication = $loan->title->publication;
        if ($publication === null || !$loan->licence->rights()->offline) {
            return response()->json(['message' => __('offline.not_allowed')], 403);
        }

        return response()->json([
            'due' => $loan->due_at->getTimestampMs(),
            'files' => array_map(
                fn(string|int $path, int $bytes): array => [
                    (string) $path,
                    $bytes,
                    $publication->types[$path] ?? 'application/octet-stream',
                ],
                array_keys($publication->sizes),
                $publication->sizes,
            ),
        ]);
    }
}
