<?php

declare(strict_types=1);

namespace App\Reading\Sections;

use App\Models\Loan;
use App\Models\Mark;
use App\Models\Publication;
use App\Shared\Input;
use App\Shared\RequestContext;
use FigPorch\Core\Reading\Locator;
use FigPorch\Core\Reading\SectionAddress;
use Illuminate\Http\Request;
use Illuminate\Support\Str;

/** Where a title is to be opened that somebody comes to by a link to a section or to a mark of theirs. */
final class Beginning
{
    public function __construct(private readonly Request $request, private readonly RequestContext $current) {}

    /**
     * @return array{locator: array<string, mixed>, entry?: int, label?: string}|null a Locator and, of a section, its
     *     number in the contents (from 0) and its name; null where it opens as it was left
     */
    public function of(Loan $loan, Publication $publication): ?array
    {
        // A page that is taken along for later opens where it was left.
        if ($this->request->header('Sec-Fetch-Dest', 'document') !== 'document') {
            return null;
        }
        $mark = Input::text($this->request, 'mark');
        if ($mark !== '') {
            return $this->ofMark($loan, $mark);
        }
        $wanted = WantedSections::take($this->request->session(), $loan->title_id);
        $number = SectionAddress::find(
            $publication->contents,
            Input::text($this->request, 'section') ?: (string) $wanted,
        );
        if ($number === null) {
            return null;
        }
        [, $label, $document] = $publication->contents[$number] + [2 => 0];
        $locator = $this->locator($publication, (int) $document, $publication->contents[$number][3] ?? 0);

        return $locator === null ? null : ['locator' => $locator, 'entry' => $number, 'label' => $label];
    }

    /** @return array{locator: array<string, mixed>}|null */
    private function ofMark(Loan $loan, string $id): ?array
    {
        $mark = Str::isUuid($id) ? Mark::query()->find($id) : null;

        return $mark === null ||
            $mark->removed ||
            $mark->person_id !== $this->current->requiredPerson()->id ||
            $mark->title_id !== $loan->title_id
            ? null
            : ['locator' => $mark->locator];
    }

    /**
     * @param  int  $offset  bytes of its text before the place
     * @return array<string, mixed>|null null where the publication has no such document
     */
    private function locator(Publication $publication, int $document, int $offset): ?array
    {
        $parts = $publication->parts;
        $before = array_sum(
            $parts === null
                ? array_column(array_slice($publication->positions, 0, $document), 1)
                : array_column(array_slice($parts, 0, $document), 'seconds'),
        );
        $all =
            array_sum($parts === null ? array_column($publication->positions, 1) : array_column($parts, 'seconds')) ?:
            1;
        $href = $parts === null ? $publication->positions[$document][0] ?? '' : $parts[$document]['path'] ?? '';
        if ($href === '') {
            return null;
        }
        $within = min(1, $offset / max(1, $publication->lengths[$document] ?? 1));
        $share = $parts === null ? $within * ($publication->positions[$document][1] ?? 0) : 0;

        return (new Locator(
            href: $href,
            type: $publication->types[$href] ?? 'application/xhtml+xml',
            progression: $within,
            totalProgression: min(1, ($before + $share) / $all),
            fragments: $parts === null ? [] : ['t=0'],
        ))->toArray();
    }
}
