<?php

declare(strict_types=1);

namespace App\Exchange\LibrarySystem;

use FigPorch\Core\Account\LibrarySystem;
use FigPorch\Core\Exchange\Sip2\Sip2Message;
use FigPorch\Core\Exchange\Sip2\UnreadableSip2;

/** A line to a library's own system, on which one message is asked after another, until its time is over. */
final class Sip2Line
{
    private int $sequence = 0;

    /** @param  resource  $socket */
    private function __construct(private $socket, private readonly float $until, private readonly int $mostBytes) {}

    /** @throws SystemSilent */
    public static function open(LibrarySystem $system, string $ip, float $seconds, int $mostBytes): self
    {
        $until = microtime(true) + $seconds;
        $address = str_contains($ip, ':') ? "[{$ip}]" : $ip;
        $socket = @stream_socket_client(
            ($system->tls ? 'tls' : 'tcp') . "://{$address}:{$system->port}",
            $number,
            $words,
            $seconds,
            STREAM_CLIENT_CONNECT,
            stream_context_create(['ssl' => ['peer_name' => $system->host, 'SNI_enabled' => true]]),
        );
        if ($socket === false) {
            throw new SystemSilent("{$system->host}:{$system->port} does not answer: {$words}");
        }
        stream_set_blocking($socket, false);

        return new self($socket, $until, $mostBytes);
    }

    /**
     * @param  array<string, string>  $fields
     *
     * @throws SystemSilent
     * @throws UnreadableSip2
     */
    public function ask(string $head, array $fields, string $answerCode): Sip2Message
    {
        $sequence = $this->sequence++ % 10;
        $text = Sip2Message::write($head, $fields, $sequence);
        while ($text !== '') {
            $this->wait(writing: true);
            $sent = @fwrite($this->socket, $text);
            if ($sent === false || feof($this->socket)) {
                throw new SystemSilent('It hung up.');
            }
            $text = substr($text, $sent);
        }

        return Sip2Message::read($this->line(), $answerCode, $sequence);
    }

    public function close(): void
    {
        fclose($this->socket);
    }

    private function line(): string
    {
        $line = '';
        while (!str_contains(ltrim($line, "\r\n"), "\r") && !str_contains(ltrim($line, "\r\n"), "\n")) {
            $this->wait(writing: false);
            $part = @fread($this->socket, 4096);
            if ($part === false || ($part === '' && feof($this->socket))) {
                throw new SystemSilent('It hung up.');
            }
            $line .= $part;
            if (strlen($line) > $this->mostBytes) {
                throw new SystemSilent('It says too much.');
            }
        }

        return ltrim($line, "\r\n");
    }

    private function wait(bool $writing): void
    {
        $left = $this->until - microtime(true);
        $streams = [$this->socket];
        $none = null;
        if ($left <= 0) {
            throw new SystemSilent('It does not answer in time.');
        }
        [$seconds, $micro] = [(int) $left, (int) (($left - (int) $left) * 1e6)];
        $ready = $writing
            ? @stream_select($none, $streams, $none, $seconds, $micro)
            : @stream_select($streams, $none, $none, $seconds, $micro);
        if ($ready !== 1) {
            throw new SystemSilent('It does not answer in time.');
        }
    }
}
