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

    private const CONNECT_SECONDS = 10;

    private const MOST_NAMES = 50;

    public function __construct(private readonly NameServer $nameServer) {}

    /** @throws CannotDeliver */
    public function __invoke(Person $person, Parcel $parcel): void
    {
        $folder = Folder::query()->find($person->id) ?? throw new CannotDeliver(Undelivered::NoPlace);
        foreach ($parcel->files as $name => [$type, $path]) {
            $this->put($folder, $name, $type, $path);
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
            $this->put($folder, $name, 'text/plain; charset=UTF-8', $path);
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
    private function put(Folder $folder, string $name, string $type, string $path): void
    {
        $at = FolderAddress::parse($folder->address, config('figporch.folder_stand_in'));
        if ($at === null) {
            throw new CannotDeliver(Undelivered::Closed);
        }
        $ip = $at->isStandIn ? null : $this->ip($at);
        $bytes = (int) filesize($path);
        try {
            if ($this->request($folder, $at, $ip)->head($at->address)->status() === 404) {
                throw new CannotDeliver(Undelivered::NoFolder);
            }
            for ($n = 1; $n <= self::MOST_NAMES; $n++) {
                $file = $at->file(FolderAddress::another($name, $n));
                $there = $this->request($folder, $at, $ip)->head($file);
                if ($there->successful()) {
                    if ((int) $there->header('Content-Length') === $bytes) {
                        return;
                    }

                    continue;
                }
                $answer = $this->request($folder, $at, $ip)
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
        throw new CannotDeliver(Undelivered::Full);
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

    private function request(Folder $folder, FolderAddress $at, ?string $ip): PendingRequest
    {
        return Http::withBasicAuth($folder->name, $folder->secret)
            ->timeout(self::SECONDS)
            ->connectTimeout(self::CONNECT_SECONDS)
            ->withOptions(BoundHost::options($at->host, $at->port, $ip));
    }
}
