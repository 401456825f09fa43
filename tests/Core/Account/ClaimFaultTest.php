<?php

declare(strict_types=1);

namespace Tests\Core\Account;

use DateTimeImmutable;
use FigPorch\Core\Account\ClaimFault;
use FigPorch\Core\Account\SchoolSignIn;
use InvalidArgumentException;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** The claims of an ID token (OpenID Connect Core 1.0, 3.1.3.7, rule by rule), and who has which card by them. */
final class ClaimFaultTest extends TestCase
{
    private const NOW = 1_780_000_000;

    /** @return array<string, array{array<string, mixed>, ClaimFault|null}> */
    public static function claims(): array
    {
        return [
            'as they should be' => [[], null],
            '2: another issuer' => [['iss' => 'https://other.example'], ClaimFault::Issuer],
            '2: the issuer with a slash' => [['iss' => 'https://school.example/'], ClaimFault::Issuer],
            '3: for somebody else' => [['aud' => 'other'], ClaimFault::Audience],
            '3: for nobody' => [['aud' => null], ClaimFault::Audience],
            '3: for several, and us' => [['aud' => ['other', 'fig'], 'azp' => 'fig'], null],
            '4: for several, and nobody says who asked' => [['aud' => ['other', 'fig']], ClaimFault::Audience],
            '5: asked for by another' => [['azp' => 'other'], ClaimFault::Audience],
            '9: over' => [['exp' => self::NOW - 60], ClaimFault::Expired],
            '9: over by less than clocks differ' => [['exp' => self::NOW - 59], null],
            '9: no end' => [['exp' => null], ClaimFault::Expired],
            '10: given in the future' => [['iat' => self::NOW + 61], ClaimFault::NotYet],
            '10: given long ago' => [['iat' => self::NOW - 601], ClaimFault::Expired],
            '11: another nonce' => [['nonce' => 'm'], ClaimFault::Nonce],
            '11: no nonce' => [['nonce' => null], ClaimFault::Nonce],
            'nobody' => [['sub' => ''], ClaimFault::Subject],
            'a number' => [['sub' => 7], ClaimFault::Subject],
            'a subject that is too long' => [['sub' => str_repeat('x', 256)], ClaimFault::Subject],
        ];
    }

    /** @param  array<string, mixed>  $changed */
    #[DataProvider('claims')]
    public function test_each_rule_is_held(array $changed, ?ClaimFault $fault): void
    {
        $claims = [
            'iss' => 'https://school.example',
            'aud' => 'fig',
            'nonce' => 'n',
            'exp' => self::NOW + 300,
            'iat' => self::NOW - 5,
            'sub' => 'tamar',
            ...$changed,
        ];
        $now = new DateTimeImmutable('@' . self::NOW);
        $this->assertSame($fault, ClaimFault::of($claims, 'https://school.example', 'fig', 'n', $now));
    }

    public function test_groups_classes_and_numbers_are_read_from_words_and_lists(): void
    {
        $school = SchoolSignIn::fromArray([
            'name' => 'Cinder Point School',
            'issuer' => 'https://school.example',
            'client_id' => 'fig',
            'secret' => 's',
            'group_claim' => 'role',
            'groups' => ['pupil' => 'student', 'teacher' => 'teacher', '7' => 'student'],
            'other_group' => '',
            'class_claim' => 'class',
            'number_claim' => 'card',
        ]);
        $this->assertSame('student', $school->group(['role' => ['prefect', 'pupil']]));
        $this->assertSame('teacher', $school->group(['role' => 'teacher']));
        $this->assertSame('student', $school->group(['role' => 7]));
        $this->assertNull($school->group(['role' => 'caretaker']));
        $this->assertNull($school->group([]));
        $this->assertNull($school->group(['role' => [['pupil']]]));
        $this->assertSame('7 Gulls', $school->class(['class' => ['7 Gulls', '8 Terns']]));
        $this->assertSame('2201', $school->number(['card' => 2201]));
        $this->assertNull($school->number(['card' => []]));
        $this->assertEquals($school, SchoolSignIn::fromArray($school->toArray()));
        $this->expectException(InvalidArgumentException::class);
        SchoolSignIn::fromArray(['name' => 'x', 'issuer' => 'file:///etc/passwd', 'client_id' => 'x']);
    }
}
