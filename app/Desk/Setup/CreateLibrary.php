<?php

declare(strict_types=1);

namespace App\Desk\Setup;

use App\Lending\LoanRules\StoreRule;
use App\Models\Library;
use Illuminate\Support\Facades\DB;

/** Makes a library with the rules it begins with. */
final class CreateLibrary
{
    public function __construct(private readonly StoreRule $storeRule) {}

    public function __invoke(NewLibrary $new): Library
    {
        return DB::transaction(function () use ($new): Library {
            $library = Library::query()->create([
                'consortium_id' => $new->consortium === null ? null : $this->consortium($new->consortium),
                'slug' => $new->slug,
                'name' => $new->name,
                'short_name' => $new->shortName,
                'place' => $new->place,
                'timezone' => $new->timezone,
                'pin_contact' => $new->pinContact,
            ]);
            foreach ($new->rules->rules() as $rule) {
                ($this->storeRule)($library->id, $rule);
            }

            return $library;
        });
    }

    /** That of the name, however it is written; a new one where there is none. */
    private function consortium(string $name): int
    {
        $known = DB::table('consortia')
            ->whereRaw('lower(name) = ?', [mb_strtolower($name)])
            ->value('id');

        return $known === null ? DB::table('consortia')->insertGetId(['name' => $name]) : (int) $known;
    }
}
