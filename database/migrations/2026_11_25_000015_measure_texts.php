<?php

declare(strict_types=1);

use App\Exchange\Packages\PackPublication;
use App\Models\Publication;
use FigPorch\Core\Reading\Archive;
use FigPorch\Core\Reading\Epub\Outline;
use FigPorch\Core\Reading\Epub\PackageReader;
use Illuminate\Database\Migrations\Migration;

/** Publications that came before their pages were looked for in their texts. */
return new class extends Migration
{
    public function up(): void
    {
        $pack = app(PackPublication::class);
        foreach (Publication::query()->where('media_type', Publication::EPUB)->whereRaw("lengths = '[]'")->lazyById(20) as $publication) {
            $file = $pack($publication, 'epub');
            try {
                $archive = new Archive($file);
                $outline = Outline::of($archive, PackageReader::read($archive));
                $publication->update(['lengths' => $outline->lengths, 'page_list' => $outline->pages, 'contents' => $outline->contents]);
            } finally {
                unlink($file);
            }
        }
    }
};
