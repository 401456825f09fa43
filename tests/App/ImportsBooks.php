<?php

declare(strict_types=1);

namespace Tests\App;

use App\Lending\Licences\LicenceTerms;
use App\Models\Title;
use App\Reading\Publications\ImportPublication;
use FigPorch\Core\Lending\LicenceModel;
use FigPorch\Demo\Book;
use FigPorch\Demo\DemoEbooks;
use FigPorch\Demo\EpubBuilder;

/** Books in files, for tests that begin at the door. */
trait ImportsBooks
{
    protected function bookFile(?Book $book = null): string
    {
        $file = tempnam(sys_get_temp_dir(), 'book') . '.epub';
        (new EpubBuilder())->write($book ?? (new DemoEbooks())->books()[0], $file);

        return $file;
    }

    protected function importBook(?Book $book = null): Title
    {
        $import = app(ImportPublication::class);

        return $import(
            $this->bookFile($book),
            $this->library(),
            new LicenceTerms(LicenceModel::OneCopyOneUser, copies: 1),
            $this->now(),
        )['title'];
    }
}
