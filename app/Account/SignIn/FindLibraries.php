<?php

declare(strict_types=1);

namespace App\Account\SignIn;

use App\Models\Library;
use App\Shared\RequestContext;
use FigPorch\Core\Catalogue\SearchWords;
use Illuminate\Database\Eloquent\Collection;

/** A library by its name, its place, or the mail domain of a school, as far as somebody has typed. */
final class FindLibraries
{
    private const MOST = 24;

    private const WORDS = 6;

    public function __construct(private readonly RequestContext $current) {}

    /** @return Collection<int, Library> the first, by name */
    public function __invoke(string $words): Collection
    {
        $at = strpos($words, '@');
        $domain = $at === false ? null : mb_strtolower(substr($words, $at + 1));
        $wanted = array_slice(
            preg_split('/[\s,]+/u', SearchWords::fold($words), flags: PREG_SPLIT_NO_EMPTY) ?: [],
            0,
            self::WORDS,
        );

        return $this->current
            ->libraries()
            ->filter(
                fn(Library $library): bool => $domain === null
                    ? self::hasAll(
                        SearchWords::fold("{$library->name} {$library->short_name} {$library->place}"),
                        $wanted,
                    )
                    : self::isOf($domain, $library->mail_domain),
            )
            ->take(self::MOST)
            ->values();
    }

    /** @param  list<string>  $words */
    private static function hasAll(string $text, array $words): bool
    {
        // By how a word begins: "7" is no part of "17".
        return array_filter($words, fn(string $word): bool => !str_contains(" {$text}", " {$word}")) === [];
    }

    /** pupil@mail.school.example belongs to school.example, too. */
    private static function isOf(string $domain, ?string $library): bool
    {
        return $library !== null && ($domain === $library || str_ends_with($domain, ".{$library}"));
    }
}
