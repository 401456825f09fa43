<?php

declare(strict_types=1);

namespace FigPorch\Core\Account;

use InvalidArgumentException;

/** A school's or consortium's sign-in by OpenID Connect, as a library has set it. */
final readonly class SchoolSignIn
{
    /**
     * @param  string  $name  as its people know it
     * @param  string  $issuer  "https://school.example", as it calls itself
     * @param  string  $secret  by which it knows us
     * @param  string  $groupClaim  that says what somebody is there
     * @param  array<string, string>  $groups  groups of patrons by what that claim says
     * @param  string|null  $otherGroup  of who is none of these; null: they have no card here
     * @param  string  $classClaim  empty: none
     * @param  string  $numberClaim  with the number of the card; empty: the library gives the next one
     */
    public function __construct(
        public string $name,
        public string $issuer,
        public string $clientId,
        public string $secret,
        public string $groupClaim,
        public array $groups,
        public ?string $otherGroup,
        public string $classClaim,
        public string $numberClaim,
    ) {
        if ($name === '' || $clientId === '' || preg_match('#^https?://[^\s?\#]+$#D', $issuer) !== 1) {
            throw new InvalidArgumentException('A sign-in has a name, an issuer and a client of it.');
        }
    }

    /** @param  array<mixed>  $of */
    public static function fromArray(array $of): self
    {
        $text = fn(string $name): string => is_string($of[$name] ?? null) ? $of[$name] : '';
        $groups = is_array($of['groups'] ?? null) ? array_filter($of['groups'], is_string(...)) : [];

        return new self(
            name: $text('name'),
            issuer: $text('issuer'),
            clientId: $text('client_id'),
            secret: $text('secret'),
            groupClaim: $text('group_claim'),
            groups: array_combine(array_map(strval(...), array_keys($groups)), array_values($groups)),
            otherGroup: $text('other_group') === '' ? null : $text('other_group'),
            classClaim: $text('class_claim'),
            numberClaim: $text('number_claim'),
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'name' => $this->name,
            'issuer' => $this->issuer,
            'client_id' => $this->clientId,
            'secret' => $this->secret,
            'group_claim' => $this->groupClaim,
            'groups' => $this->groups,
            'other_group' => $this->otherGroup,
            'class_claim' => $this->classClaim,
            'number_claim' => $this->numberClaim,
        ];
    }

    /**
     * @param  array<mixed>  $claims
     * @return string|null the group of patrons; null for who has no card here
     */
    public function group(array $claims): ?string
    {
        foreach (self::words($claims[$this->groupClaim] ?? null) as $is) {
            if (isset($this->groups[$is])) {
                return $this->groups[$is];
            }
        }

        return $this->otherGroup;
    }

    /** @param  array<mixed>  $claims */
    public function class(array $claims): ?string
    {
        return $this->classClaim === '' ? null : self::words($claims[$this->classClaim] ?? null)[0] ?? null;
    }

    /** @param  array<mixed>  $claims */
    public function number(array $claims): ?string
    {
        return $this->numberClaim === '' ? null : self::words($claims[$this->numberClaim] ?? null)[0] ?? null;
    }

    /** @return list<string> a claim is one word or a list of them */
    private static function words(mixed $claim): array
    {
        return array_values(
            array_map(strval(...), array_filter(is_array($claim) ? $claim : [$claim], fn($of) => is_scalar($of))),
        );
    }
}
