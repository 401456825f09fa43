<?php

declare(strict_types=1);

namespace Tests\Core\Account;

use FigPorch\Core\Account\Browser;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What browsers say they are; the strings are from memory, as their makers document them. */
final class BrowserTest extends TestCase
{
    /** @return array<string, array{string, string|null}> */
    public static function browsers(): array
    {
        $kit = 'AppleWebKit/537.36 (KHTML, like Gecko)';

        return [
            'Firefox' => ['Mozilla/5.0 (X11; Linux x86_64; rv:128.0) Gecko/20100101 Firefox/128.0', 'Firefox, Linux'],
            'Chrome' => ["Mozilla/5.0 (Windows NT 10.0) {$kit} Chrome/130.0.0.0 Safari/537.36", 'Chrome, Windows'],
            'Edge says Chrome too' => [
                "Mozilla/5.0 (Windows NT 10.0) {$kit} Chrome/130.0.0.0 Safari/537.36 Edg/130.0",
                'Edge, Windows',
            ],
            'Safari on a phone' => [
                'Mozilla/5.0 (iPhone; CPU iPhone OS 17_5 like Mac OS X) AppleWebKit/605 Version/17.5 Safari/604.1',
                'Safari, iPhone',
            ],
            'an Android says Linux too' => [
                "Mozilla/5.0 (Linux; Android 14) {$kit} Chrome/130.0.0.0 Mobile Safari/537.36",
                'Chrome, Android',
            ],
            'a program' => ['curl/8.5.0', null],
            'nothing' => ['', null],
            'a word inside another is none' => ['NotFirefox/1', null],
        ];
    }

    #[DataProvider('browsers')]
    public function test_it_is_named(string $says, ?string $named): void
    {
        $this->assertSame($named, Browser::name($says));
    }
}
