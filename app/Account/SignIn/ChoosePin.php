<?php

declare(strict_types=1);

namespace App\Account\SignIn;

use App\Account\Notices\GiveNotice;
use App\Models\Card;
use App\Shared\Sql;
use DateTimeImmutable;
use FigPorch\Core\Account\PinStrength;
use FigPorch\Core\Lending\NoticeKind;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;

/** A patron chooses a PIN, with the old one or by the link that came by mail. Their other sessions end. */
final class ChoosePin
{
    public const LINK_MINUTES = 30;

    public function __construct(private readonly GiveNotice $giveNotice) {}

    /** Whose link it is; null where it was used, is too old, or is none. */
    public function cardOf(string $key, DateTimeImmutable $now): ?Card
    {
        $id = DB::table('pin_links')
            ->where('key_hash', hash('sha256', $key))
            ->where('made_at', '>', Sql::second($now->modify('-' . self::LINK_MINUTES . ' minutes')))
            ->value('card_id');

        return $id === null
            ? null
            : Card::query()
                ->with(['person', 'library'])
                ->where('id', $id)
                ->first();
    }

    /** @return PinStrength|null null where the link has been used meanwhile */
    public function byLink(string $key, string $pin, DateTimeImmutable $now): ?PinStrength
    {
        $card = $this->cardOf($key, $now);
        $strength = $card === null ? null : PinStrength::of($pin, $card->number);
        if ($card === null || $strength !== PinStrength::Good) {
            return $strength;
        }
        $hash = Hash::make($pin);

        return DB::transaction(function () use ($card, $key, $hash, $now): ?PinStrength {
            $used = DB::table('pin_links')->where('key_hash', hash('sha256', $key))->delete();
            $used === 1 && $this->write($card, $hash, null, $now);

            return $used === 1 ? PinStrength::Good : null;
        });
    }

    /**
     * @param  string  $session  the one that goes on
     * @return PinStrength|int|null seconds to wait after too many tries; null where the old one is another
     */
    public function byOldPin(
        Card $card,
        string $old,
        string $pin,
        string $address,
        string $session,
        DateTimeImmutable $now,
    ): PinStrength|int|null {
        $limit = new TryLimit("card:{$card->library_id}:{$card->number}", $address);
        if (($wait = $limit->begin()) !== null) {
            return $wait;
        }
        if ($card->pin_hash === null || !Hash::check($old, $card->pin_hash)) {
            $limit->failed();

            return null;
        }
        $limit->succeeded();
        $strength = PinStrength::of($pin, $card->number);
        if ($strength === PinStrength::Good) {
            $hash = Hash::make($pin);
            DB::transaction(fn() => $this->write($card, $hash, $session, $now));
        }

        return $strength;
    }

    private function write(Card $card, string $hash, ?string $session, DateTimeImmutable $now): void
    {
        Card::query()
            ->whereKey($card->id)
            ->update(['pin_hash' => $hash]);
        DB::table('pin_links')->where('card_id', $card->id)->delete();
        DB::table('sessions')->where('user_id', $card->person_id)->where('id', '<>', (string) $session)->delete();
        ($this->giveNotice)(
            $card->person_id,
            NoticeKind::PinChanged,
            "pin-changed:{$card->id}:{$now->getTimestamp()}",
            ['ending' => substr($card->number, -4), 'address' => '/settings'],
            $now,
        );
    }
}
