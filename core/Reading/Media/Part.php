<?php

declare(strict_types=1);

namespace FigPorch\Core\Reading\Media;

/** What plays from one file: a chapter, a track, an episode. */
final readonly class Part
{
    /**
     * @param  float|null  $seconds  as the manifest says; null where it does not
     * @param  list<Captions>  $captions
     */
    public function __construct(
        public string $path,
        public string $type,
        public string $name,
        public ?float $seconds,
        public array $captions = [],
    ) {}

    /** The same with the length that was measured. */
    public function lasting(float $seconds): self
    {
        return new self($this->path, $this->type, $this->name, $seconds, $this->captions);
    }

    /**
     * @return array{path: string, type: string, name: string, seconds: float, captions: list<array{path: string,
     *     language: string, label: string}>}
     */
    public function toArray(): array
    {
        return [
            'path' => $this->path,
            'type' => $this->type,
            'name' => $this->name,
            'seconds' => $this->seconds ?? 0.0,
            'captions' => array_map(fn(Captions $c): array => $c->toArray(), $this->captions),
        ];
    }
}
