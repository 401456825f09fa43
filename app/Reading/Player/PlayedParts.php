<?php

declare(strict_types=1);

namespace App\Reading\Player;

use App\Models\Loan;
use App\Models\PartSound;
use App\Models\Publication;
use App\Models\Title;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Reading\Media\Loudness;
use Illuminate\Support\Collection;

/**
 * The parts of sound or video as the player has them: where each is fetched, by how many decibels it is made louder or
 * softer, and, where somebody speaks, where it is silent.
 *
 * @phpstan-type Played array{path: string, type: string, name: string, seconds: float, address: string, gain: float,
 *     silences: list<array{float, float}>, captions: list<array{path: string, language: string, label: string,
 *     address: string}>}
 */
final class PlayedParts
{
    /**
     * @param  Loan|null  $loan  null for the excerpt
     * @return list<Played>
     */
    public function of(Title $title, Publication $publication, ?Loan $loan): array
    {
        $base = $loan === null ? "/titles/{$title->id}/excerpt/files/" : "/loans/{$loan->id}/files/";
        $address = fn(string $path): string => $base . implode('/', array_map(rawurlencode(...), explode('/', $path)));
        $sounds = PartSound::query()->where('sha256', $publication->sha256)->get()->keyBy('path');
        $whole = $title->format === Format::Music ? $this->whole($publication, $sounds)?->gain() : null;

        return array_map(
            fn(array $part): array => [
                ...$part,
                'address' => $address($part['path']),
                'captions' => array_map(
                    fn(array $c): array => [...$c, 'address' => $address($c['path'])],
                    $part['captions'],
                ),
                'gain' => round($whole ?? ($this->loudness($sounds->get($part['path']))?->gain() ?? 0.0), 1),
                'silences' => $title->format === Format::Audiobook ? $sounds->get($part['path'])->silences ?? [] : [],
            ],
            ($loan === null ? $publication->excerpt_parts : $publication->parts) ?? [],
        );
    }

    /** @param  Collection<string, PartSound>  $sounds */
    private function whole(Publication $publication, Collection $sounds): ?Loudness
    {
        $heard = [];
        foreach ($publication->parts ?? [] as $part) {
            $loudness = $this->loudness($sounds->get($part['path']));
            $loudness === null || ($heard[] = [$loudness, $part['seconds']]);
        }

        return Loudness::ofAll($heard);
    }

    private function loudness(?PartSound $sound): ?Loudness
    {
        return $sound?->loudness === null || $sound->peak === null
            ? null
            : new Loudness($sound->loudness, $sound->peak);
    }
}
