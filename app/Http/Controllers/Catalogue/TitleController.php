<?php

declare(strict_types=1);

namespace App\Http\Controllers\Catalogue;

use App\Http\Current;
use App\Models\Title;
use App\Queries\Lending\OwnItems;
use App\Queries\Lending\WaysToGet;
use Illuminate\View\View;

final class TitleController
{
    public function __invoke(Title $title, Current $current, WaysToGet $ways, OwnItems $ownItems): View
    {
        $now = now()->toImmutable();
        $title->load(['contributors', 'subjects', 'series', 'publication:id,title_id,excerpt_positions,fixed_layout,right_to_left']);
        $editions = Title::query()->where('work_id', $title->work_id)->whereKeyNot($title->id)->with('contributors')->orderBy('format')->orderBy('id')->limit(20)->get();
        $all = $editions->prepend($title)->loadExists('publication');

        $own = $ownItems->of($current->person, $all, $now, beyond: true);

        return view('catalogue.title', [
            'title' => $title,
            'own' => $own,
            'ways' => $ways->of($current->requiredLibrary(), $current->person, $all, $own, $now),
            'now' => $now,
        ]);
    }
}
