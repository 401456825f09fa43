<?php

declare(strict_types=1);

namespace FigPorch\Core\Reading\Media;

/** The words of a video as WebVTT (w3.org/TR/webvtt1). */
final readonly class Captions
{
    /** @param  string  $language  a BCP 47 tag */
    public function __construct(public string $path, public string $language, public string $label) {}

    /** @return array{path: string, language: string, label: string} */
    public function toArray(): array
    {
        return ['path' => $this->path, 'language' => $this->language, 'label' => $this->label];
    }
}
