<?php

declare(strict_types=1);

namespace Tests\App;

use App\Desk\SignIn\AtTheDesk;
use Illuminate\Routing\Route as OneRoute;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use Random\Engine\Mt19937;
use Random\Randomizer;
use RecursiveDirectoryIterator;
use RecursiveIteratorIterator;
use SplFileInfo;

/**
 * Whatever is sent to whatever asks for it, the answer is a page, a refusal or a way on: never a fault of ours. Here a
 * part of all that can be tried, another for each route; all of it with HOSTILE=all.
 */
final class HostileInputTest extends TestCase
{
    use AsksEveryRoute;

    private const TRIED = 10;

    /** Of those at a door that is shut to the role: what stands before it is the same for all. */
    private const TRIED_AT_DOORS = 2;

    /** @return list<mixed> what people, programs and attackers send */
    private static function payloads(): array
    {
        return [
            '',
            ' ',
            '0',
            '-1',
            '1',
            '99999999999999999999',
            '1e308',
            '-0',
            '0x1A',
            'NaN',
            'true',
            'null',
            '[]',
            '{}',
            '[object Object]',
            '0000-00-00',
            '0000-01-01',
            '2026-02-30',
            '9999-12-31',
            '99999-01-01',
            '-0001-01-01',
            '2026-13-45T99:99:99Z',
            '12:00',
            "'",
            '"',
            "'; drop table titles; --",
            "' or 1=1 --",
            '\\',
            '%',
            '_',
            '%00',
            '%ff',
            '$$',
            '{{7*7}}',
            '${7*7}',
            '<script>alert(1)</script>',
            '../../../../etc/passwd',
            '/',
            '//elsewhere.example/',
            'http://169.254.169.254/',
            'javascript:alert(1)',
            "line\r\nSet-Cookie: a=b",
            "\x00",
            "a\x00b",
            "\xff\xfe",
            "\xc3\x28",
            "\xed\xa0\x80",
            "\xf4\x90\x80\x80",
            "\u{FEFF}",
            "\u{202E}abc",
            "e\u{0301}",
            '🙂',
            '漢字かな',
            'مرحبا',
            str_repeat('a', 5_000),
            str_repeat('(', 400),
            str_repeat('é ', 3_000),
            '"unclosed',
            'a* OR -(',
            'year:0-99999 level:-',
            ['x'],
            ['a' => 'b'],
            [['c']],
            [[[[[[[['deep']]]]]]]],
            ["\xff"],
            ["\x00" => 'x'],
            7,
            7.5,
            true,
            null,
        ];
    }

    /** @return iterable<string, array{string}> */
    public static function roles(): iterable
    {
        foreach (['nobody', 'the patron', 'staff'] as $role) {
            yield $role => [$role];
        }
    }

    #[DataProvider('roles')]
    public function test_nothing_that_is_sent_is_a_fault(string $role): void
    {
        $this->scene();
        $names = $this->names();
        $this->assertGreaterThan(60, count($names));
        $random = new Randomizer(new Mt19937(crc32($role)));
        $faults = [];
        $asked = 0;
        foreach ($this->routes() as $name => $route) {
            /** @var non-empty-list<mixed> $payloads */
            $payloads = self::payloads();
            if (getenv('HOSTILE') !== 'all') {
                $payloads = array_map(
                    fn(int $key): mixed => $payloads[$key],
                    $random->pickArrayKeys(
                        $payloads,
                        self::isShut($role, $name, $route) ? self::TRIED_AT_DOORS : self::TRIED,
                    ),
                );
            }
            foreach ($payloads as $payload) {
                $data = $this->data($name);
                // One field of a form that is right for the rest, or everything that any form has.
                $fields = $data !== [] && $random->getInt(0, 1) === 0 ? $random->pickArrayKeys($data, 1) : $names;
                $fault = $this->fault($role, $name, $route, [...$data, ...array_fill_keys($fields, $payload)]);
                $asked++;
                if ($fault !== null) {
                    $faults["{$name} " . substr(serialize($payload), 0, 60)] = $fault;
                }
            }
        }
        $this->assertSame([], $faults);
        $this->assertGreaterThan(1_000, $asked);
    }

    /** Whether what the role sends is read by nothing but what stands before every route. */
    private static function isShut(string $role, string $name, OneRoute $route): bool
    {
        $isDesk = str_starts_with($name, 'desk.');

        return match ($role) {
            'staff' => !$isDesk,
            'the patron' => $isDesk,
            default => array_intersect(array_filter($route->gatherMiddleware(), is_string(...)), [
                'auth:web',
                'auth:staff',
                AtTheDesk::class,
            ]) !== [],
        };
    }

    /** Addresses too: what stands between their slashes, and the cookies that come with them. */
    public function test_no_address_and_no_cookie_is_a_fault(): void
    {
        $this->scene();
        foreach (self::payloads() as $payload) {
            if (!is_string($payload) || strlen($payload) > 500) {
                continue;
            }
            $piece = rawurlencode($payload);
            foreach (
                [
                    "/titles/{$piece}",
                    "/loans/{$piece}/read",
                    "/rooms/{$piece}",
                    "/b/{$piece}",
                    "/{$piece}",
                    "/build/{$piece}",
                ]
                as $path
            ) {
                $status = $this->call('GET', $path)->getStatusCode();
                $this->assertLessThan(500, $status, $path);
            }
            foreach (['library', 'locale', 'scheme'] as $cookie) {
                $status = $this->call('GET', '/catalogue', cookies: [$cookie => $payload])->getStatusCode();
                $this->assertLessThan(500, $status, "{$cookie}: {$payload}");
            }
        }
    }

    public function test_what_is_no_text_is_refused_in_words(): void
    {
        $this->library();
        $this->get('/catalogue?library=saltmere&q=%ff')->assertStatus(400)->assertSee('This could not be read');
        $this->get('/catalogue?library=saltmere&q=a%00b')->assertStatus(400);
        $this->get('/catalogue?library=saltmere&format[]=ebook')->assertStatus(400);
        $this->post('/sign-in', ['number' => "\xff", 'pin' => '1'])->assertStatus(400);
        $this->getJson('/suggest?q=%ff')
            ->assertStatus(400)
            ->assertJsonStructure(['message']);
        $this->get('/catalogue?library=saltmere&q=' . rawurlencode('漢字 🙂'))->assertOk();
    }

    /** @param  array<string, mixed>  $data */
    private function fault(string $role, string $name, OneRoute $route, array $data): ?string
    {
        $this->enter($role);
        DB::beginTransaction();
        try {
            $response = $this->ask($name, $route, $data);
            $status = $response->getStatusCode();

            return $status < 500 || $status === 503 ? null : $status . ' ' . $response->exception?->getMessage();
        } finally {
            DB::rollBack();
        }
    }

    /** @return list<string> of every field that the code reads */
    private function names(): array
    {
        $names = [];
        foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator(app_path())) as $file) {
            if (!($file instanceof SplFileInfo) || $file->getExtension() !== 'php') {
                continue;
            }
            preg_match_all(
                "/(?:Input::text\(\\\$request, |->(?:input|query|string|integer|boolean|date|filled|has|old)\(|\\\$asked\[)'(\w+)'/",
                (string) file_get_contents($file->getPathname()),
                $found,
            );
            array_push($names, ...$found[1]);
        }

        return array_values(
            array_unique([...$names, 'page', 'library', 'year_from', 'level_to', 'publisher', 'awards']),
        );
    }
}
