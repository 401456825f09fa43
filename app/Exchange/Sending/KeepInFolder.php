<?php

declare(strict_types=1);

namespace App\Exchange\Sending;

use App\Exchange\Outbound\BoundHost;
use App\Exchange\Outbound\NameServer;
use App\Models\Folder;
use App\Models\Person;
use FigPorch\Core\Exchange\InternetAddress;
use FigPorch\Core\Exchange\Sending\FolderAddress;
use FigPorch\Core\Exchange\Sending\Undelivered;
use GuzzleHttp\Psr7\Utils;
use Illuminate\Http\Client\ConnectionException;
use Illuminate\Http\Client\PendingRequest;
use Illuminate\Support\Facades\Http;
use RuntimeException;

/**
 * Puts files into a person's folder by WebDAV (RFC 4918). None is written over: what has the name already, and another
 * size, stays.
 */
final class KeepInFolder
{
    private const SECONDS = 120;

    /** To be told whether something is there, and to be reached at all. */
    private const ASK_SECONDS = 10;

    /** Where somebody waits for it. */
    private const TRY_SECONDS = 5;

    /** Of an answer: what a server says to a file is of no account but for its status. */
    private const MOST_BYTES = 1_000_000;

    private const MOST_NAMES = 50;

    public function __construct(private readonly NameServer $nameServer) {}

    /** @throws CannotDeliver */
    public function __invoke(Person $person, Parcel $parcel): void
    {
        $folder = Folder::query()->find($person->id) ?? throw new CannotDeliver(Undelivered::NoPlace);
        foreach ($parcel->files as $name => [$type, $path]) {
            $this->put($folder, $name, $type, $path, self::SECONDS);
        }
    }

    /**
     * Tries whether a folder takes a file.
     *
     * @throws CannotDeliver
     */
    public function try(Folder $folder, string $name, string $text): void
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'folder');
        try {
            file_put_contents($path, $text);
            $this->put($folder, $name, 'text/plain; charset=UTF-8', $path, self::TRY_SECONDS);
        } catch (RuntimeException $fault) {
            throw $fault instanceof CannotDeliver ? $fault : new CannotDeliver(Undelivered::Away);
        } finally {
            unlink($path);
        }
    }

    /**
     * @throws CannotDeliver where the folder says no
     * @throws RuntimeException where it may say yes another time
     */
    private function put(Folder $folder, string $name, string $type, string $path, int $seconds): void
    {
        $at = FolderAddress::parse($folder->address, config('figporch.folder_stand_in'));
        if ($at === null) {
            throw new CannotDeliver(Undelivered::Closed);
        }
        $ip = $at->isStandIn ? null : $this->ip($at);
        $bytes = (int) filesize($path);
        $asking = min($seconds, self::ASK_SECONDS);
        // Others wait behind it.
        $until = hrtime(true) + ($seconds + 3 * $asking) * 1_000_000_000;
        try {
            if ($this->request($folder, $at, $ip, $asking)->head($at->address)->status() === 404) {
                throw new CannotDeliver(Undelivered::NoFolder);
            }
            for ($n = 1; $n <= self::MOST_NAMES && hrtime(true) < $until; $n++) {
                $file = $at->file(FolderAddress::another($name, $n));
                $there = $this->request($folder, $at, $ip, $asking)->head($file);
                if ($there->successful()) {
                    if ((int) $there->header('Content-Length') === $bytes) {
                        return;
                    }

                    continue;
                }
                $answer = $this->request($folder, $at, $ip, $seconds)
                    ->withHeaders(['If-None-Match' => '*'])
                    ->withBody(Utils::streamFor(Utils::tryFopen($path, 'r')), $type)
                    ->put($file);
                if ($answer->status() === 412) {
                    continue;
                }
                $why = Undelivered::answered($answer->status());
                if ($why === Undelivered::Away) {
                    throw new RuntimeException("{$at->host} answered {$answer->status()}.");
                }
                if ($why !== null) {
                    throw new CannotDeliver($why);
                }

                return;
            }
        } catch (ConnectionException $fault) {
            throw new RuntimeException("{$at->host} does not answer.", previous: $fault);
        }
        throw hrtime(true) < $until
            ? new CannotDeliver(Undelivered::Full)
            : new RuntimeException("{$at->host} takes too long.");
    }

    /** @throws CannotDeliver */
    private function ip(FolderAddress $at): string
    {
        $isNumber = filter_var(trim($at->host, '[]'), FILTER_VALIDATE_IP) !== false;
        $ip = $isNumber ? trim($at->host, '[]') : $this->nameServer->addressOf($at->host);
        if ($ip === null) {
            throw new RuntimeException("{$at->host} is not known to the name servers at the moment.");
        }

        return InternetAddress::isPublic($ip) ? $ip : throw new CannotDeliver(Undelivered::Closed);
    }

    private function request(Folder $folder, FolderAddress $at, ?string $ip, int $seconds): PendingRequest
    {
        $bound = BoundHost::options($at->host, $at->port, $ip);
        $bytes = 0;
        // Nothing of it is kept; fewer taken than given ends the transfer.
        $bound['curl'][CURLOPT_WRITEFUNCTION] = function ($curl, string $part) use (&$bytes): int {
            $bytes += strlen($part);

            return $bytes > self::MOST_BYTES ? 0 : strlen($part);
        };

        return Http::withBasicAuth($folder->name, $folder->secret)
            ->timeout($seconds)
            ->connectTimeout(min($seconds, self::ASK_SECONDS))
            ->withOptions($bound);
    }
}
