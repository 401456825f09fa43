<?php

declare(strict_types=1);

namespace FigPorch\Core\Account;

use InvalidArgumentException;

/** Where a library's own system answers by SIP2, as the library has set it. */
final readonly class LibrarySystem
{
    /**
     * @param  string  $institution  what it calls the library (AO)
     * @param  string  $user  to log in with; empty: it asks for none
     * @param  string  $terminalPassword  AC
     * @param  string  $groupField  two letters, of the field that says what somebody is; not in the standard
     * @param  array<string, string>  $groups  groups of patrons by what that field says
     * @param  string  $otherGroup  of who is none of these
     */
    public function __construct(
        public string $host,
        public int $port,
        public bool $tls,
        public string $institution,
        public string $user,
        public string $password,
        public string $terminalPassword,
        public string $groupField,
        public array $groups,
        public string $otherGroup,
    ) {
        if (preg_match('/^[a-z0-9.-]+$/Di', $host) !== 1 || $port < 1 || $port > 65535) {
            throw new InvalidArgumentException('A system has a host and a port.');
        }
        if ($groupField !== '' && preg_match('/^[A-Z]{2}$/D', $groupField) !== 1) {
            throw new InvalidArgumentException('A field is called by two capitals.');
        }
    }

    /** @param  array<mixed>  $of */
    public static function fromArray(array $of): self
    {
        $text = fn(string $name): string => is_string($of[$name] ?? null) ? $of[$name] : '';
        $groups = is_array($of['groups'] ?? null) ? array_filter($of['groups'], is_string(...)) : [];

        return new self(
            host: $text('host'),
            port: is_int($of['port'] ?? null) ? $of['port'] : 0,
            tls: (bool) ($of['tls'] ?? false),
            institution: $text('institution'),
            user: $text('user'),
            password: $text('password'),
            terminalPassword: $text('terminal_password'),
            groupField: $text('group_field'),
            groups: array_combine(array_map(strval(...), array_keys($groups)), array_values($groups)),
            otherGroup: $text('other_group'),
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'host' => $this->host,
            'port' => $this->port,
            'tls' => $this->tls,
            'institution' => $this->institution,
            'user' => $this->user,
            'password' => $this->password,
            'terminal_password' => $this->terminalPassword,
            'group_field' => $this->groupField,
            'groups' => $this->groups,
            'other_group' => $this->otherGroup,
        ];
    }

    public function group(?string $says): string
    {
        return $this->groups[(string) $says] ?? $this->otherGroup;
    }
}
