<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending;

use InvalidArgumentException;

/** What a licence lets those who borrow do beside reading, listening and watching. */
final readonly class Rights
{
    /**
     * @param  int|null  $pages  that each loan may print or copy; null for as many as one likes
     * @param  bool  $chaptersAsPdf  whether pages may also be saved as PDF
     * @param  bool  $offline  whether it may be taken offline
     * @param  DownloadRight  $download  whether its files may be had, and how
     */
    public function __construct(
        public ?int $pages = 20,
        public bool $chaptersAsPdf = false,
        public bool $offline = true,
        public DownloadRight $download = DownloadRight::None,
    ) {
        if ($pages !== null && $pages < 0) {
            throw new InvalidArgumentException('A loan may print or copy no pages, some, or as many as one likes.');
        }
    }
}
