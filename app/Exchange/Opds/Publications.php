<?php

declare(strict_types=1);

namespace App\Exchange\Opds;

use App\Catalogue\Records\RecordOfTitle;
use App\Exchange\Lcp\ProtectLoan;
use App\Exchange\Packages\Downloads;
use App\Lending\Availability\AvailabilityText;
use App\Lending\Availability\AvailableTitle;
use App\Lending\Availability\OwnItems;
use App\Lending\Availability\TitleAvailability;
use App\Lending\Licences\DownloadRights;
use App\Models\Hold;
use App\Models\Loan;
use App\Models\Title;
use App\Shared\RequestContext;
use DateTimeImmutable;
use FigPorch\Core\Exchange\Opds\Out\Link;
use FigPorch\Core\Exchange\Opds\Out\Publication;
use FigPorch\Core\Exchange\Opds\Out\Supply;
use FigPorch\Core\Lending\Availability;
use FigPorch\Core\Lending\DownloadRight;
use FigPorch\Core\Lending\HoldState;
use Illuminate\Database\Eloquent\Collection;

/** Titles as a catalogue for applications shows them: with what this person can do with each now. */
final class Publications
{
    /** @var array<int, DownloadRight> by title, of those that are shown */
    private array $rights = [];

    public function __construct(
        private readonly RequestContext $current,
        private readonly TitleAvailability $availability,
        private readonly OwnItems $ownItems,
        private readonly DownloadRights $downloadRights,
        private readonly ProtectLoan $protectLoan,
    ) {}

    /**
     * @param  iterable<Title>  $titles
     * @param  array<int, int>  $places  in line, of the person's holds, by title
     * @return list<Publication> in their order
     */
    public function of(Addresses $at, iterable $titles, DateTimeImmutable $now, array $places = []): array
    {
        $titles = new Collection([...$titles]);
        $titles->load(['contributors', 'subjects', 'series', 'publication']);
        $standings = $this->availability->of($at->library, $titles, $this->current->card(), $now);
        $this->rights = $this->downloadRights->of($at->library->id, array_values($titles->modelKeys()), $now);
        $own = $this->ownItems->of($this->current->person, $titles, $now);
        $shown = [];
        foreach ($titles as $title) {
            // Whichever card it is on, a loan is read; a hold waits in the line of its own library.
            $loan = $own->loan($title->id);
            $hold = $own->hold($title->id);
            $hold = $hold?->card_id === $this->current->card()?->id ? $hold : null;
            $shown[] = new Publication(
                id: $at->of("titles/{$title->id}"),
                record: RecordOfTitle::of($title),
                modified: $title->added_at,
                links: [
                    new Link('self', $at->of("titles/{$title->id}"), $at->edition->entry()),
                    new Link('alternate', $at->page("/titles/{$title->id}"), 'text/html', $title->name),
                    ...match (true) {
                        $loan !== null => $this->ofLoan($at, $title, $loan),
                        $hold !== null => $this->ofHold(
                            at: $at,
                            title: $title,
                            hold: $hold,
                            standing: $standings[$title->id],
                            places: $places,
                            now: $now,
                        ),
                        default => $this->ofOthers($at, $title, $standings[$title->id]),
                    },
                    ...($title->publication->excerpt_sizes ?? []) === []
                        ? []
                        : [
                            new Link(
                                Link::SAMPLE,
                                $at->page("/titles/{$title->id}/excerpt"),
                                'text/html',
                                __('catalogue.excerpt'),
                            ),
                        ],
                ],
                images: self::cover($title),
            );
        }

        return $shown;
    }

    /** @return list<Link> what one does with a loan */
    private function ofLoan(Addresses $at, Title $title, Loan $loan): array
    {
        $loan->loadMissing('licence');
        $until = new Supply('available', since: $loan->started_at, until: $loan->due_at);
        $files =
            $title->publication === null
                ? []
                : Downloads::forApps(
                    $title->format,
                    $title->publication->media_type,
                    $loan->licence->rights()->download,
                );

        return [
            ...array_map(
                fn(string $kind, array $types): Link => new Link(
                    rel: Link::ACQUISITION,
                    href: $at->of("loans/{$loan->id}/file/{$kind}"),
                    type: $types[0],
                    indirect: array_slice($types, 1),
                    supply: $until,
                    userKey: $kind === 'lcpl' ? $this->protectLoan->userKey($loan) : null,
                ),
                array_keys($files),
                $files,
            ),
            // In a browser it can be opened whatever the licence says of files.
            new Link(
                rel: Link::ACQUISITION,
                href: $at->page("/read/{$loan->id}"),
                type: 'text/html',
                title: __('opds.in_browser'),
                supply: $until,
            ),
            new Link(Link::RETURN, $at->of("loans/{$loan->id}/return"), $at->edition->entry(), __('opds.return')),
            new Link(Link::RENEW, $at->of("loans/{$loan->id}/renew"), $at->edition->entry(), __('opds.renew')),
        ];
    }

    /**
     * @param  array<int, int>  $places
     * @return list<Link> what one does with a hold
     */
    private function ofHold(
        Addresses $at,
        Title $title,
        Hold $hold,
        AvailableTitle $standing,
        array $places,
        DateTimeImmutable $now,
    ): array {
        $isReady = $hold->state === HoldState::Ready && $hold->kept_until > $now;
        $place = $places[$title->id] ?? null;
        $supply = new Supply(
            state: $isReady ? 'ready' : 'reserved',
            since: $hold->placed_at,
            until: $isReady ? $hold->kept_until : null,
            copies: self::copies($standing),
            holds: ['total' => max(0, $standing->nextPlace - 1), 'position' => $isReady ? 0 : $place],
        );

        return [
            new Link(
                rel: Link::BORROW,
                href: $at->of("titles/{$title->id}/borrow"),
                type: $at->edition->entry(),
                title: $isReady ? (string) __('opds.borrow') : null,
                indirect: $this->inTheEnd($title),
                supply: $supply,
            ),
            new Link(Link::CANCEL, $at->of("holds/{$hold->id}/cancel"), $at->edition->entry(), __('opds.cancel')),
        ];
    }

    /** @return list<Link> */
    private function ofOthers(Addresses $at, Title $title, AvailableTitle $standing): array
    {
        $isReady = in_array($standing->availability, [Availability::ReadyNow, Availability::AlwaysReady], true);
        // What can neither be borrowed nor waited for has no such link.
        if ($standing->aboveCard || (!$isReady && !$standing->takesHolds)) {
            return [];
        }

        return [
            new Link(
                rel: Link::BORROW,
                href: $at->of("titles/{$title->id}/" . ($isReady ? 'borrow' : 'hold')),
                type: $at->edition->entry(),
                title: $isReady ? __('opds.borrow') : __('opds.hold'),
                indirect: $this->inTheEnd($title),
                supply: new Supply(
                    state: $isReady ? 'available' : 'unavailable',
                    copies: self::copies($standing),
                    holds: $isReady ? null : ['total' => $standing->nextPlace - 1, 'position' => null],
                    detail: AvailabilityText::of($standing),
                ),
            ),
        ];
    }

    /** @return array{total: int, available: int}|null */
    private static function copies(AvailableTitle $standing): ?array
    {
        return $standing->copies === 0 ? null : ['total' => $standing->copies, 'available' => $standing->copiesFree];
    }

    /** @return list<string> what comes of it when it is borrowed, where the library has the file: at least a page */
    private function inTheEnd(Title $title): array
    {
        $file = $title->publication;
        $right = $this->rights[$title->id] ?? DownloadRight::None;

        return $file === null
            ? []
            : array_values(Downloads::forApps($title->format, $file->media_type, $right))[0] ?? ['text/html'];
    }

    /** @return list<Link> */
    private static function cover(Title $title): array
    {
        // Without one of its own it is drawn.
        $type = str_ends_with($title->cover_file ?? '.svg', '.svg') ? 'image/svg+xml' : 'image/jpeg';
        $href = route('titles.cover', $title);

        return [new Link(Link::IMAGE, $href, $type), new Link(Link::THUMBNAIL, $href, $type)];
    }
}
