<?php

declare(strict_types=1);

namespace App\Exchange\Sending;

use App\Models\Sending;
use Carbon\CarbonImmutable;
use FigPorch\Core\Exchange\Sending\Goods;
use FigPorch\Core\Exchange\Sending\Undelivered;
use FigPorch\Core\Exchange\Sending\Way;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\Mail;
use Illuminate\Support\Traits\Localizable;
use Throwable;

/**
 * Sends something out. Who it goes to may be away for a while: it is tried again for an hour. That it is going is
 * written down first, so that what nobody knows to have arrived is not sent twice.
 */
final class SendOut implements ShouldQueue
{
    use Localizable;
    use Queueable;

    public int $tries = 6;

    public function __construct(private readonly int $sendingId)
    {
        $this->onConnection('sendings')->onQueue('sendings');
    }

    /** @return list<int> seconds between tries */
    public function backoff(): array
    {
        return [10, 60, 300, 900, 2400];
    }

    public function handle(Places $places, PackParcel $pack, KeepInFolder $keep): void
    {
        $sending = Sending::query()->with('person')->find($this->sendingId);
        if ($sending === null || !in_array($sending->state, ['waiting', 'going'], true)) {
            return;
        }
        $parcel = null;
        try {
            if ($sending->state === 'going') {
                throw new CannotDeliver(Undelivered::Unknown);
            }
            if ($places->to($sending->person, $sending->way) !== $sending->destination) {
                throw new CannotDeliver(Undelivered::NoPlace);
            }
            $parcel = $this->withLocale($sending->locale, fn(): Parcel => $pack($sending, CarbonImmutable::now()));
            if ($sending->way !== Way::Folder && $parcel->bytes() > Goods::MOST_BYTES) {
                throw new CannotDeliver(Undelivered::TooLarge);
            }
            $sending->update(['state' => 'going']);
            $this->carry($sending, $parcel, $keep);
            self::end($sending, null);
        } catch (CannotDeliver $refused) {
            self::end($sending, $refused->why);
        } catch (Throwable $fault) {
            $sending->update(['state' => 'waiting']);
            throw $fault;
        } finally {
            $parcel?->throwAway();
        }
    }

    /** However often it was tried. */
    public function failed(): void
    {
        $sending = Sending::query()->find($this->sendingId);
        $sending?->state === 'waiting' && self::end($sending, Undelivered::Away);
    }

    /** @throws CannotDeliver */
    private function carry(Sending $sending, Parcel $parcel, KeepInFolder $keep): void
    {
        if ($sending->way === Way::Folder) {
            $keep($sending->person, $parcel);
        } else {
            Mail::to($sending->destination)->locale($sending->locale)->send(new ParcelMail($sending, $parcel));
        }
    }

    private static function end(Sending $sending, ?Undelivered $why): void
    {
        $sending->update([
            'state' => $why === null ? 'sent' : 'failed',
            'why' => $why,
            'ended_at' => CarbonImmutable::now(),
        ]);
    }
}
