<?php

declare(strict_types=1);

namespace App\Account\Messages;

use App\Models\Message;
use App\Shared\RequestContext;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Cookie;
use Illuminate\View\View;

/** A message by itself, and putting one away. */
final class MessagesController
{
    /** The cookie of a browser where nobody has signed in. */
    public const COOKIE = 'put_away';

    private const MOST = 50;

    private const MINUTES = 400 * 24 * 60;

    public function show(Message $message): View
    {
        return view('account.messages.message', ['message' => $message]);
    }

    public function putAway(
        Request $request,
        Message $message,
        RequestContext $current,
        PutAwayMessage $putAway,
    ): RedirectResponse {
        if ($current->person !== null) {
            $putAway($current->person, $message);
        } else {
            $ids = [$message->id, ...self::putAwayHere($request)];
            Cookie::queue(
                Cookie::make(self::COOKIE, implode('.', array_slice(array_unique($ids), 0, self::MOST)), self::MINUTES),
            );
        }

        return back();
    }

    /** @return list<int> by this browser */
    public static function putAwayHere(Request $request): array
    {
        $kept = $request->cookie(self::COOKIE);

        return is_string($kept) ? array_map(intval(...), explode('.', $kept)) : [];
    }
}
