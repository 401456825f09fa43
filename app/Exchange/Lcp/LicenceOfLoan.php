<?php

declare(strict_types=1);

namespace App\Exchange\Lcp;

use App\Models\ProtectedLoan;
use Carbon\CarbonImmutable;
use FigPorch\Core\Exchange\Lcp\LicenceDocument;
use FigPorch\Core\Exchange\Lcp\Link;
use FigPorch\Core\Exchange\Lcp\StatusDocument;
use Illuminate\Http\Response;
use LogicException;

/** The licence document of a loan as it stands now, signed. */
final class LicenceOfLoan
{
    public function __construct(private readonly Provider $provider, private readonly NoteLoanEnd $note) {}

    public function json(ProtectedLoan $of, CarbonImmutable $now): string
    {
        $of = ($this->note)($of, $now);
        $of->user_key !== null || throw new LogicException("The licence {$of->id} is forgotten.");
        $document = new LicenceDocument(
            id: $of->id,
            provider: (string) config('app.url'),
            issued: $of->issued_at,
            updated: $of->updated_at,
            starts: $of->loan->started_at,
            ends: $of->ends_at,
            contentKey: (string) hex2bin($of->file->content_key),
            userKey: $of->user_key,
            hint: (string) $of->hint,
            links: [
                new Link('hint', route('settings') . '#protected', 'text/html'),
                new Link(
                    rel: 'publication',
                    href: self::address($of, 'publication'),
                    type: PackProtected::typeOf($of->file),
                    title: $of->loan->title->name,
                    length: $of->file->bytes,
                    hash: $of->file->protected_sha256,
                ),
                new Link('self', self::address($of), LicenceDocument::TYPE),
                new Link('status', self::address($of, 'status'), StatusDocument::TYPE),
            ],
            pages: $of->loan->licence->rights()->pages,
        );

        return json_encode(
            $document->signed($this->provider->signer()),
            JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_PRETTY_PRINT,
        );
    }

    /** As an answer that no cache keeps, since the loan may be renewed or given back. */
    public function answer(ProtectedLoan $of, CarbonImmutable $now): Response
    {
        return new Response($this->json($of, $now), 200, [
            'Content-Type' => LicenceDocument::TYPE,
            'Cache-Control' => 'private, no-store',
        ]);
    }

    /** @param  string  $what  publication, status, register, renew or return; empty for the licence itself */
    public static function address(ProtectedLoan $of, string $what = ''): string
    {
        return route($what === '' ? 'lcp.licence' : "lcp.{$what}", [$of->library->slug, $of]);
    }
}
