<?php

declare(strict_types=1);

namespace App\Exchange\LibrarySystem;

use App\Exchange\Outbound\ClosedHost;
use App\Exchange\Outbound\OpenHost;
use DateTimeImmutable;
use DateTimeZone;
use FigPorch\Core\Account\LibrarySystem;
use FigPorch\Core\Exchange\Sip2\PatronAnswer;
use FigPorch\Core\Exchange\Sip2\UnreadableSip2;

/** Asks a library's own system by SIP2, over TCP or TLS; three seconds for all of it. */
final class AskSystem
{
    private const SECONDS = 3.0;

    private const MOST_BYTES = 20_000;

    public function __construct(private readonly OpenHost $openHost) {}

    /** @throws SystemSilent where it does not answer in time, or with what cannot be understood */
    public function patron(
        LibrarySystem $system,
        string $number,
        string $pin,
        DateTimeZone $zone,
        DateTimeImmutable $now,
    ): PatronAnswer {
        $line = $this->connect($system);
        try {
            $this->logIn($line, $system);
            // Language 000: unknown. A date has a blank zone for local time.
            $date = $now->setTimezone($zone)->format('Ymd') . '    ' . $now->setTimezone($zone)->format('His');
            $fields = [
                'AO' => $system->institution,
                'AA' => $number,
                'AC' => $system->terminalPassword,
                'AD' => $pin,
            ];
            $status = $line->ask("23000{$date}", $fields, '24');
            $known = PatronAnswer::of($status, null, $system->groupField, $zone);
            if (!$known->isKnown || !$known->pinFits) {
                return $known;
            }

            return PatronAnswer::of(
                $status,
                $line->ask("63000{$date}          ", $fields, '64'),
                $system->groupField,
                $zone,
            );
        } catch (UnreadableSip2 $what) {
            throw new SystemSilent($what->getMessage(), previous: $what);
        } finally {
            $line->close();
        }
    }

    /** @throws SystemSilent */
    public function tryOut(LibrarySystem $system, DateTimeImmutable $now): void
    {
        $this->patron($system, '0', '0', new DateTimeZone('UTC'), $now);
    }

    private function connect(LibrarySystem $system): Sip2Line
    {
        try {
            $ip = $this->openHost->addressOf($system->host, $system->port);
        } catch (ClosedHost $why) {
            throw new SystemSilent($why->getMessage(), previous: $why);
        }

        return Sip2Line::open($system, $ip, self::SECONDS, self::MOST_BYTES);
    }

    private function logIn(Sip2Line $line, LibrarySystem $system): void
    {
        if ($system->user === '') {
            return;
        }
        $answer = $line->ask('9300', ['CN' => $system->user, 'CO' => $system->password], '94');
        if ($answer->fixed['ok'] !== '1') {
            throw new UnreadableSip2('It does not let us log in: user or password is wrong.');
        }
    }
}
