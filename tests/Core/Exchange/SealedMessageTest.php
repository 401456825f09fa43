<?php

declare(strict_types=1);

namespace Tests\Core\Exchange;

use FigPorch\Core\Exchange\Push\Base64Url;
use FigPorch\Core\Exchange\Push\P256;
use FigPorch\Core\Exchange\Push\SealedMessage;
use InvalidArgumentException;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class SealedMessageTest extends TestCase
{
    private const BROWSER = 'BCVxsr7N_eNgVRqvHtD0zTZsEc6-VV-JvLexhqUzORcxaOzi6-AYWXvTBHm4bjyPjs7Vd8pZGH6SRpkNtoIAiw4';

    private const OWN = 'BP4z9KsN6nGRTbVYI_c7VJSPQTBtkgcy27mlmlMoZIIgDll6e3vCYLocInmYWAmS6TlzAC8wEqKK6PBru3jl7A8';

    private const OWN_PRIVATE = 'yfWPiYE-n46HLnH0KqZOF1fJJU3MYrct3AELtAQ-oRw';

    private const SECRET = 'BTBZMqHH6r4Tts7J_aSIgg';

    private const SALT = 'DGv6ra1nlYgDCS1FRnbzlw';

    /** RFC 8291, section 5 and Appendix A. */
    public function test_the_example_of_the_standard(): void
    {
        $sealed = SealedMessage::seal(
            'When I grow up, I want to be a watermelon',
            self::bytes(self::BROWSER),
            self::bytes(self::SECRET),
            P256::privateKey(self::bytes(self::OWN_PRIVATE), self::bytes(self::OWN)),
            self::bytes(self::SALT),
        );
        $this->assertSame(
            'DGv6ra1nlYgDCS1FRnbzlwAAEABBBP4z9KsN6nGRTbVYI_c7VJSPQTBtkgcy27mlmlMoZIIgDll6e3vCYLocInmYWAmS6TlzAC8wEqKK6PBru3jl7A_yl95bQpu6cVPTpK4Mqgkf1CXztLVBSt2Ks3oZwbuwXPXLWyouBWLVWGNWQexSgSxsj_Qulcy4a-fN',
            Base64Url::encode($sealed),
        );
    }

    public function test_a_key_has_the_point_that_it_was_made_of(): void
    {
        $this->assertSame(
            self::OWN,
            Base64Url::encode(P256::point(P256::privateKey(self::bytes(self::OWN_PRIVATE), self::bytes(self::OWN)))),
        );
        $this->assertSame(self::BROWSER, Base64Url::encode(P256::point(P256::publicKey(self::bytes(self::BROWSER)))));
        $this->assertSame(65, strlen(P256::point(P256::newKey())));
    }

    public function test_the_longest_text_is_as_long_as_every_service_takes(): void
    {
        $seal = fn(int $length): string => SealedMessage::seal(
            str_repeat('a', $length),
            self::bytes(self::BROWSER),
            self::bytes(self::SECRET),
            P256::newKey(),
            self::bytes(self::SALT),
        );
        $this->assertSame(4096, strlen($seal(SealedMessage::MOST)));
        $this->expectException(InvalidArgumentException::class);
        $seal(SealedMessage::MOST + 1);
    }

    /** @return iterable<string, array{string, string, string}> */
    public static function unusable(): iterable
    {
        yield 'a key that is too short' => ['abc', self::SECRET, self::SALT];
        yield 'a point beside the curve' => [
            Base64Url::encode("\x04" . str_repeat("\x01", 64)),
            self::SECRET,
            self::SALT,
        ];
        yield 'a secret that is too short' => [self::BROWSER, 'abcd', self::SALT];
        yield 'a salt that is too long' => [self::BROWSER, self::SECRET, self::SALT . 'AAAA'];
    }

    #[DataProvider('unusable')]
    public function test_what_cannot_be_used_is_refused(string $key, string $secret, string $salt): void
    {
        $this->expectException(InvalidArgumentException::class);
        SealedMessage::seal('x', self::bytes($key), self::bytes($secret), P256::newKey(), self::bytes($salt));
    }

    public function test_base64url_comes_back(): void
    {
        foreach (['', 'a', 'ab', 'abc', "\xff\xfe\xfd"] as $bytes) {
            $this->assertSame($bytes, Base64Url::decode(Base64Url::encode($bytes)));
        }
        $this->assertSame("\xff\xfe", Base64Url::decode('__4='));
        $this->assertNull(Base64Url::decode('a+b/'));
        $this->assertNull(Base64Url::decode('not this!'));
    }

    private static function bytes(string $text): string
    {
        return Base64Url::decode($text) ?? self::fail("{$text} is not base64url");
    }
}
