<?php

declare(strict_types=1);

namespace Tests\Core\Exchange;

use FigPorch\Core\Exchange\InternetAddress;
use FigPorch\Core\Exchange\Push\Endpoint;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class EndpointTest extends TestCase
{
    public function test_a_push_service_on_the_open_web_is_written_to(): void
    {
        $endpoint = Endpoint::parse('https://push.lantern-coast.example/to/a1b2?c=3');
        $this->assertSame(
            ['push.lantern-coast.example', 'https://push.lantern-coast.example', false],
            [$endpoint?->host, $endpoint?->origin(), $endpoint?->isStandIn],
        );
    }

    public function test_the_stand_in_is_written_to_where_there_is_one(): void
    {
        $endpoint = Endpoint::parse('http://127.0.0.1:10400/to/imara', 'http://127.0.0.1:10400/to');
        $this->assertSame(['http://127.0.0.1:10400', true], [$endpoint?->origin(), $endpoint?->isStandIn]);
        $this->assertNull(Endpoint::parse('http://127.0.0.1:10400/to/imara'));
        $this->assertNull(Endpoint::parse('http://127.0.0.1:10400/tomorrow', 'http://127.0.0.1:10400/to'));
    }

    /** @return iterable<string, array{string}> */
    public static function unsafe(): iterable
    {
        yield 'not encrypted' => ['http://push.example.org/a'];
        yield 'a number' => ['https://192.0.2.7/a'];
        yield 'a number in one' => ['https://2130706433/a'];
        yield 'another kind of number' => ['https://[::1]/a'];
        yield 'another port' => ['https://push.example.org:8443/a'];
        yield 'somebody named' => ['https://user@push.example.org/a'];
        yield 'this machine' => ['https://localhost/a'];
        yield 'another scheme' => ['file:///etc/passwd'];
        yield 'spaces' => ['https://push.example.org/a b'];
        yield 'lines' => ["https://push.example.org/a\r\nX: y"];
        yield 'nothing' => [''];
        yield 'too long' => ['https://push.example.org/' . str_repeat('a', 1000)];
    }

    #[DataProvider('unsafe')]
    public function test_nothing_else_is(string $address): void
    {
        $this->assertNull(Endpoint::parse($address));
    }

    /** The blocks of RFC 6890 and its followers. */
    public function test_numbers_of_this_network_are_not_public(): void
    {
        foreach (
            [
                '127.0.0.1',
                '10.1.2.3',
                '172.16.0.1',
                '192.168.1.1',
                '169.254.169.254',
                '100.64.0.1',
                '0.0.0.0',
                '224.0.0.1',
                '240.0.0.1',
                '255.255.255.255',
                '::1',
                'fe80::1',
                'fd00::1',
                '::ffff:127.0.0.1',
                'not a number',
            ]
            as $ip
        ) {
            $this->assertFalse(InternetAddress::isPublic($ip), $ip);
        }
        foreach (['93.184.216.34', '8.8.8.8', '100.63.0.1', '2606:2800:220:1::1'] as $ip) {
            $this->assertTrue(InternetAddress::isPublic($ip), $ip);
        }
    }
}
