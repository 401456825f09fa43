<?php

declare(strict_types=1);

namespace App\Exchange\Sending;

use App\Catalogue\Citations\CitableTitles;
use App\Exchange\Bibliography\CitationFile;
use App\Exchange\Bibliography\CitedBasket;
use App\Exchange\Packages\PackPublication;
use App\Models\Basket;
use App\Models\Loan;
use App\Models\Sending;
use App\Reading\Pages\PagesAsPdf;
use App\Reading\Prepared\FileMakers;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\Citation\Bibliography;
use FigPorch\Core\Catalogue\Citation\CitedTitle;
use FigPorch\Core\Catalogue\Citation\Reference;
use FigPorch\Core\Catalogue\Citation\Style;
use FigPorch\Core\Exchange\Sending\Goods;
use FigPorch\Core\Exchange\Sending\Undelivered;
use Illuminate\Support\Str;

/** Makes what goes out, asking once more whether it may. */
final class PackParcel
{
    public function __construct(
        private readonly MaySend $maySend,
        private readonly FileMakers $makers,
        private readonly CitableTitles $citable,
        private readonly CitedBasket $citedBasket,
    ) {}

    /** @throws CannotDeliver */
    public function __invoke(Sending $sending, DateTimeImmutable $now): Parcel
    {
        return match ($sending->goods) {
            Goods::Book => $this->book($this->loan($sending, $now)),
            Goods::Pages => $this->pages($this->loan($sending, $now), $sending->facts),
            Goods::Citation => $this->citation((int) $sending->facts['title'], self::day($sending)),
            Goods::Bibliography => $this->bibliography($sending),
        };
    }

    /** @throws CannotDeliver */
    private function loan(Sending $sending, DateTimeImmutable $now): Loan
    {
        $loan = $sending->loan?->load(['title.contributors', 'title.publication', 'licence', 'card']);
        $why =
            $loan === null || $loan->card?->person_id !== $sending->person_id
                ? Undelivered::LoanOver
                : $this->maySend->of($loan, $sending->goods, $sending->way, $now);
        if ($loan === null || $why !== null) {
            throw new CannotDeliver($why ?? Undelivered::LoanOver);
        }

        return $loan;
    }

    private function book(Loan $loan): Parcel
    {
        return $this->made(
            $loan,
            (string) array_key_first(PackPublication::kinds((string) $loan->title->publication?->media_type)),
            '',
        );
    }

    /** @param  array<string, int|string>  $facts */
    private function pages(Loan $loan, array $facts): Parcel
    {
        return $this->made(
            $loan,
            PagesAsPdf::kind((int) $facts['from'], (int) $facts['to']),
            (Str::slug($loan->title->name) ?: "title-{$loan->title_id}") . '-',
        );
    }

    private function made(Loan $loan, string $kind, string $of): Parcel
    {
        $maker = $this->makers->of($kind);
        [$name, $type] = $maker->named($loan, $kind);
        $path = self::place();
        $maker->make($loan, $kind, $path, fn(): null => null);

        return new Parcel([$of . $name => [$type, $path]], '');
    }

    /** On which it was asked for, where the person's library is. */
    private static function day(Sending $sending): DateTimeImmutable
    {
        $library = $sending->person->cards->first()?->library;

        return $library === null ? $sending->asked_at : $sending->asked_at->setTimezone($library->zone());
    }

    /** @throws CannotDeliver */
    private function citation(int $titleId, DateTimeImmutable $day): Parcel
    {
        $cited = $this->citable->titles([$titleId], fn(int $id): string => route('titles.show', $id), $day);
        if ($cited === []) {
            throw new CannotDeliver(Undelivered::NothingThere);
        }
        $all = array_map(
            fn(Style $style): string => __("baskets.styles.{$style->value}") .
                "\n" .
                Reference::text($cited[0], $style),
            Style::cases(),
        );

        return self::cited($cited, implode("\n\n", $all), __('sending.citation'));
    }

    /** @throws CannotDeliver */
    private function bibliography(Sending $sending): Parcel
    {
        $basket = Basket::query()->where('person_id', $sending->person_id)->find((int) $sending->facts['basket']);
        $style = Style::tryFrom((string) $sending->facts['style']) ?? Style::Apa;
        $cited =
            $basket === null ? [] : Bibliography::of($this->citedBasket->titles($basket, self::day($sending)), $style);
        if ($basket === null || $cited === []) {
            throw new CannotDeliver(Undelivered::NothingThere);
        }
        $lines = [];
        foreach ($cited as $n => $title) {
            $lines[] = ($style === Style::Vancouver ? $n + 1 . '. ' : '') . Reference::text($title, $style);
        }

        return self::cited($cited, implode("\n\n", $lines), $basket->name);
    }

    /** @param  list<CitedTitle>  $cited */
    private static function cited(array $cited, string $text, string $name): Parcel
    {
        $name = Str::slug($name) ?: 'titles';
        $files = [];
        foreach (
            [
                "{$name}.txt" => ['text/plain; charset=UTF-8', $text . "\n"],
                "{$name}.ris" => [CitationFile::TYPES['ris'], CitationFile::text('ris', $cited)],
            ]
            as $file => [$type, $content]
        ) {
            file_put_contents($path = self::place(), $content);
            $files[$file] = [$type, $path];
        }

        return new Parcel($files, $text);
    }

    /** A path at which nothing is yet. */
    private static function place(): string
    {
        return sys_get_temp_dir() . '/sending-' . Str::lower(Str::random(20));
    }
}
