<?php

declare(strict_types=1);

namespace App\Exchange\Opds;

use App\Models\Library;
use FigPorch\Core\Exchange\Opds\Out\Link;

/** Where the parts of a library's catalogue for applications are. */
final readonly class Addresses
{
    public function __construct(public Edition $edition, public Library $library) {}

    /** @param  array<string, string|int>  $query */
    public function of(string $path = '', array $query = []): string
    {
        $base = url("/opds/{$this->edition->value}/{$this->library->slug}");

        return rtrim("{$base}/{$path}", '/') . ($query === [] ? '' : '?' . http_build_query($query));
    }

    /** Its own address at our pages. */
    public function page(string $path): string
    {
        return url($path) . '?' . http_build_query(['library' => $this->library->slug]);
    }

    /** @return list<Link> what every feed leads to */
    public function everywhere(): array
    {
        return [
            new Link('start', $this->of(), $this->edition->navigation(), $this->library->name),
            $this->search(),
            new Link(Link::SHELF, $this->of('loans'), $this->edition->acquisition(), __('opds.loans')),
            new Link('http://opds-spec.org/auth/document', $this->of('authentication'), AuthenticationDocument::TYPE),
        ];
    }

    private function search(): Link
    {
        return $this->edition === Edition::Two
            ? new Link(
                rel: 'search',
                href: $this->of('titles') . '{?query,title,author}',
                type: $this->edition->acquisition(),
                title: __('opds.search'),
                templated: true,
            )
            : new Link('search', $this->of('search'), 'application/opensearchdescription+xml', __('opds.search'));
    }
}
