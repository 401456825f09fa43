<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Lcp;

use DateTimeImmutable;
use DateTimeZone;

/**
 * The licence of one loan: what opens its file, until when, and for what (LCP 1.0, 3). Nothing in it names a person.
 */
final readonly class LicenceDocument
{
    public const TYPE = 'application/vnd.readium.lcp.license.v1.0+json';

    /** By which an application knows how the keys are made (LCP 1.0, 6). */
    public const PROFILE = 'http://readium.org/lcp/basic-profile';

    /**
     * @param  string  $id  a UUID
     * @param  string  $provider  an address of whoever lends
     * @param  string  $contentKey  32 bytes
     * @param  string  $userKey  as Passphrase makes it
     * @param  list<Link>  $links
     * @param  int|null  $pages  that may be printed or copied; null for as many as one likes
     */
    public function __construct(
        public string $id,
        public string $provider,
        public DateTimeImmutable $issued,
        public DateTimeImmutable $updated,
        public DateTimeImmutable $starts,
        public DateTimeImmutable $ends,
        #[\SensitiveParameter] private string $contentKey,
        #[\SensitiveParameter] private string $userKey,
        private string $hint,
        private array $links,
        private ?int $pages,
    ) {}

    /** @return array<string, mixed> */
    public function signed(Signer $signer): array
    {
        $byUser = new ContentCipher((string) hex2bin($this->userKey));
        $document = [
            'id' => $this->id,
            'issued' => self::moment($this->issued),
            'updated' => self::moment($this->updated),
            'provider' => $this->provider,
            'encryption' => [
                'profile' => self::PROFILE,
                'content_key' => [
                    'algorithm' => ContentCipher::ALGORITHM,
                    'encrypted_value' => base64_encode($byUser->encrypt($this->contentKey)),
                ],
                'user_key' => [
                    'algorithm' => Passphrase::ALGORITHM,
                    'text_hint' => $this->hint,
                    'key_check' => base64_encode($byUser->encrypt($this->id)),
                ],
            ],
            'links' => array_map(fn(Link $link): array => $link->document(), $this->links),
            'rights' => [
                'start' => self::moment($this->starts),
                'end' => self::moment($this->ends),
                ...self::allowance($this->pages),
            ],
        ];

        return [...$document, 'signature' => $signer->sign($document)];
    }

    /** As RFC 3339 writes it, in UTC. */
    public static function moment(DateTimeImmutable $at): string
    {
        return $at->setTimezone(new DateTimeZone('UTC'))->format('Y-m-d\TH:i:s\Z');
    }

    /**
     * A loan may print or copy so many pages in all; a licence document counts pages that are printed and characters
     * that are copied, each for itself. So half goes to each.
     *
     * @return array{print?: int, copy?: int}
     */
    private static function allowance(?int $pages): array
    {
        return $pages === null
            ? []
            : ['print' => intdiv($pages + 1, 2), 'copy' => intdiv($pages, 2) * self::CHARACTERS_A_PAGE];
    }

    /** A page without a list of pages is a position of 1024 bytes (core/Reading/Pages). */
    private const CHARACTERS_A_PAGE = 1024;
}
