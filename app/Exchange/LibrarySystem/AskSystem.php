<?php

declare(strict_types=1);

namespace App\Exchange\LibrarySystem;

use App\Exchange\Outbound\ClosedHost;
use App\Exchange\Outbound\OpenHost;
use DateTimeImmutable;
use DateTimeZone;
use FigPorch\Core\Account\LibrarySystem;
use FigPorch\Core\Exchange\Sip2\ItemAnswer;
use FigPorch\Core\Exchange\Sip2\PatronAnswer;
use FigPorch\Core\Exchange\Sip2\UnreadableSip2;
use Illuminate\Support\Facades\Log;

/** Asks a library's own system by SIP2, over TCP or TLS; so many seconds for all of it. */
final class AskSystem
{
    private const SECONDS = 3.0;

    /** Less is not worth beginning. */
    private const LEAST_SECONDS = 0.1;

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
        $line = $this->connect($system, self::SECONDS);
        try {
            $this->logIn($line, $system);
            // Language 000: unknown.
            $date = self::date($now, $zone);
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

    /**
     * Which copies are in. One that is not answered, or with what cannot be understood, spoils none of those before it.
     *
     * @param  list<string>  $numbers
     * @param  float  $seconds  for all of it
     * @return array<int|string, ItemAnswer> by number, those that were answered
     */
    public function items(
        LibrarySystem $system,
        array $numbers,
        DateTimeZone $zone,
        DateTimeImmutable $now,
        float $seconds,
    ): array {
        $answers = [];
        $line = null;
        try {
            if ($seconds < self::LEAST_SECONDS) {
                return [];
            }
            $line = $this->connect($system, $seconds);
            $this->logIn($line, $system);
            foreach ($numbers as $number) {
                $fields = ['AO' => $system->institution, 'AB' => $number, 'AC' => $system->terminalPassword];
                $answer = $line->ask('17' . self::date($now, $zone), $fields, '18');
                $answers[$number] = ItemAnswer::of($answer, $number, $zone, $now);
            }
        } catch (UnreadableSip2 | SystemSilent $why) {
            Log::info("{$system->host}:{$system->port} did not tell of a copy: {$why->getMessage()}");
        } finally {
            $line?->close();
        }

        return $answers;
    }

    /** A date has a blank zone for local time. */
    private static function date(DateTimeImmutable $now, DateTimeZone $zone): string
    {
        return $now->setTimezone($zone)->format('Ymd    His');
    }

    /** @throws SystemSilent */
    public function tryOut(LibrarySystem $system, DateTimeImmutable $now): void
    {
        $this->patron($system, '0', '0', new DateTimeZone('UTC'), $now);
    }

    private function connect(LibrarySystem $system, float $seconds): Sip2Line
    {
        try {
            $ip = $this->openHost->addressOf($system->host, $system->port);
        } catch (ClosedHost $why) {
            throw new SystemSilent($why->getMessage(), previous: $why);
        }

        return Sip2Line::open($system, $ip, $seconds, self::MOST_BYTES);
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
