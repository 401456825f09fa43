<?php

declare(strict_types=1);

namespace App\Desk\Patrons;

use App\Shared\Input;
use Illuminate\Http\Request;

/** Which cards are looked for. */
final readonly class PatronSearch
{
    public const STATES = ['blocked', 'expired', 'ending'];

    /** Days before a card expires in which it is one that ends soon. */
    public const ENDING_DAYS = 30;

    /**
     * @param  string  $find  words of a name or mail address, or how a number begins
     * @param  string|null  $state  one of STATES
     */
    public function __construct(
        public string $find = '',
        public ?string $group = null,
        public ?string $class = null,
        public ?string $state = null,
    ) {}

    public static function of(Request $request): self
    {
        $state = Input::text($request, 'state');

        return new self(
            mb_substr(Input::text($request, 'find'), 0, 200),
            mb_substr(Input::text($request, 'group'), 0, 24) ?: null,
            mb_substr(Input::text($request, 'class'), 0, 60) ?: null,
            in_array($state, self::STATES, true) ? $state : null,
        );
    }

    /** @return array<string, string> as in an address */
    public function address(): array
    {
        return array_filter(
            ['find' => $this->find, 'group' => $this->group, 'class' => $this->class, 'state' => $this->state],
            fn(?string $value): bool => $value !== null && $value !== '',
        );
    }
}
