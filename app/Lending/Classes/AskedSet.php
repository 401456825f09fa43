<?php

declare(strict_types=1);

namespace App\Lending\Classes;

use App\Models\SchoolClass;
use App\Shared\Input;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\Request;

/** For which class something is meant, and between which days, as a form asks. */
final readonly class AskedSet
{
    /**
     * @param  SchoolClass|null  $class  the one that is asked for, else the first
     * @param  bool  $isWrong  whether something was asked that cannot be
     */
    private function __construct(
        public ?SchoolClass $class,
        public ?string $first,
        public ?string $last,
        public bool $isWrong,
    ) {}

    /** @param  Collection<int, SchoolClass>  $classes  of the teacher */
    public static function of(Request $request, Collection $classes): self
    {
        $class = $classes->find((int) Input::text($request, 'class'));
        [$first, $last] = self::days($request);
        $isAsked = Input::text($request, 'class') !== '';

        return new self($class ?? $classes->first(), $first, $last, $isAsked && ($class === null || $first === null));
    }

    /**
     * @phpstan-assert-if-true !null $this->class
     * @phpstan-assert-if-true !null $this->first
     * @phpstan-assert-if-true !null $this->last
     */
    public function isWhole(): bool
    {
        return $this->class !== null && $this->first !== null && $this->last !== null && !$this->isWrong;
    }

    /** @return array{string|null, string|null} the first and the last day; both null where they cannot be */
    public static function days(Request $request): array
    {
        $first = Input::day($request, 'first_day');
        $last = Input::day($request, 'last_day');

        return $first !== null && $last !== null && $first <= $last ? [$first, $last] : [null, null];
    }
}
