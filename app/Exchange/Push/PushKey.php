<?php

declare(strict_types=1);

namespace App\Exchange\Push;

use FigPorch\Core\Exchange\Push\Base64Url;
use FigPorch\Core\Exchange\Push\P256;
use Illuminate\Contracts\Encryption\DecryptException;
use Illuminate\Support\Facades\Crypt;
use Illuminate\Support\Facades\DB;
use LogicException;

/**
 * The key by which push services know this application (RFC 8292): made when it is first needed, and kept, since
 * browsers are bound to it.
 */
final class PushKey
{
    private ?string $private = null;

    /** @return string PEM */
    public function private(): string
    {
        return $this->private ??= $this->read() ?? $this->make();
    }

    /** @return string the point, base64url, as browsers want it */
    public function public(): string
    {
        return Base64Url::encode(
            P256::point(
                openssl_pkey_get_private($this->private()) ?: throw new LogicException('The key that is kept is none.'),
            ),
        );
    }

    private function read(): ?string
    {
        $kept = DB::table('push_key')->value('private');

        try {
            return is_string($kept) ? Crypt::decryptString($kept) : null;
        } catch (DecryptException) {
            // The application's own key is another now: browsers bound to this one cannot be reached any more.
            DB::table('push_devices')->delete();
            DB::table('push_key')->delete();

            return null;
        }
    }

    private function make(): string
    {
        openssl_pkey_export(P256::newKey(), $pem);
        DB::table('push_key')->insertOrIgnore(['id' => 1, 'private' => Crypt::encryptString($pem)]);

        // Another may have been quicker.
        return (string) $this->read();
    }
}
