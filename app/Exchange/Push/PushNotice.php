<?php

declare(strict_types=1);

namespace App\Exchange\Push;

use App\Account\Notices\NoticeText;
use App\Account\Notices\QuietTime;
use App\Exchange\Outbound\BoundHost;
use App\Exchange\Outbound\NameServer;
use App\Models\Notice;
use App\Models\PushDevice;
use Carbon\CarbonImmutable;
use FigPorch\Core\Exchange\InternetAddress;
use FigPorch\Core\Exchange\Push\Base64Url;
use FigPorch\Core\Exchange\Push\Endpoint;
use FigPorch\Core\Exchange\Push\P256;
use FigPorch\Core\Exchange\Push\SealedMessage;
use Firebase\JWT\JWT;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\Http;
use Illuminate\Support\Traits\Localizable;
use RuntimeException;

/**
 * Shows one notice on one device of the person. Should a message go twice, because a process died in between, the
 * device shows it once:
 * both have the same tag, and while they wait with the push service the same topic (RFC 8030, 5.4).
 */
final class PushNotice implements ShouldQueue
{
    use Localizable;
    use Queueable;

    public int $tries = 6;

    /** A device that is off gets it within a day, or not at all. */
    private const LIVES_SECONDS = 86_400;

    private const TOKEN_SECONDS = 12 * 3600;

    /** Of four bytes each they are no more than every service takes. */
    private const LETTERS = ['title' => 150, 'body' => 600];

    public function __construct(private readonly int $noticeId, private readonly int $deviceId) {}

    /** @return list<int> seconds between tries */
    public function backoff(): array
    {
        return [10, 60, 300, 1800];
    }

    public function handle(PushKey $pushKey, NameServer $nameServer): void
    {
        $notice = Notice::query()->find($this->noticeId);
        $device = PushDevice::query()->find($this->deviceId);
        if ($notice === null || $device === null || $notice->person_id !== $device->person_id) {
            return;
        }
        $quiet = QuietTime::isKnown() ? QuietTime::until($notice, CarbonImmutable::now()) : null;
        if ($quiet !== null) {
            self::dispatch($this->noticeId, $this->deviceId)->delay($quiet);

            return;
        }
        $endpoint = Endpoint::parse($device->endpoint, config('figporch.push_stand_in'));
        if ($endpoint === null) {
            $device->delete();

            return;
        }
        $ip = null;
        if (!$endpoint->isStandIn) {
            $ip =
                $nameServer->addressOf($endpoint->host) ??
                throw new RuntimeException(
                    "The push service {$endpoint->host} is not known to the name servers at the moment.",
                );
            if (!InternetAddress::isPublic($ip)) {
                $device->delete();

                return;
            }
        }
        $token = JWT::encode(
            [
                'aud' => $endpoint->origin(),
                'exp' => CarbonImmutable::now()->getTimestamp() + self::TOKEN_SECONDS,
                'sub' => 'mailto:' . config('mail.from.address'),
            ],
            $pushKey->private(),
            'ES256',
        );
        $answer = Http::withHeaders([
            'Authorization' => "vapid t={$token}, k={$pushKey->public()}",
            'Content-Encoding' => 'aes128gcm',
            'TTL' => (string) self::LIVES_SECONDS,
            'Topic' => "notice-{$notice->id}",
            'Urgency' => 'normal',
        ])
            ->withBody($this->sealed($notice, $device), 'application/octet-stream')
            ->timeout(10)
            ->connectTimeout(5)
            ->withOptions(BoundHost::options($endpoint->host, 443, $ip))
            ->post($endpoint->address);
        if (in_array($answer->status(), [404, 410], true)) {
            // The browser no longer wants any (RFC 8030, 7.3).
            $device->delete();
        } elseif ($answer->successful()) {
            $device->update(['told_at' => CarbonImmutable::now()]);
        } elseif ($answer->status() === 429 || $answer->serverError()) {
            throw new RuntimeException("The push service {$endpoint->host} answered {$answer->status()}.");
        } else {
            $this->fail(
                new RuntimeException("The push service {$endpoint->host} refused a message: {$answer->status()}."),
            );
        }
    }

    private function sealed(Notice $notice, PushDevice $device): string
    {
        $message = $this->withLocale(
            $notice->person->locale,
            fn(): array => [
                'title' => mb_substr(NoticeText::subject($notice), 0, self::LETTERS['title']),
                'body' => mb_substr(NoticeText::body($notice), 0, self::LETTERS['body']),
                'address' => NoticeText::address($notice),
                'tag' => "notice-{$notice->id}",
                'lang' => $notice->person->locale,
            ],
        );

        return SealedMessage::seal(
            json_encode($message, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES),
            (string) Base64Url::decode($device->key),
            (string) Base64Url::decode($device->secret),
            P256::newKey(),
            random_bytes(16),
        );
    }
}
