<?php

declare(strict_types=1);

namespace FigPorch\Core\Look;

/**
 * A library's two colours, and all that is made of them: the roof is the band at the head of each page, the door is
 * what is pressed and followed. Everything else keeps the colours that it has. resources/css/app.css has the names.
 */
final readonly class LibraryLook
{
    private const WHITE = '#ffffff';

    private const PAPER = '#fbf8f1';

    private const NIGHT = '#17201f';

    private const NIGHT_CARD = '#1d2827';

    public function __construct(public Colour $roof, public Colour $door) {}

    /**
     * @return list<array{string, float}> what text could not be read on: "roof", "door" or "paper", and how it stands
     */
    public static function unreadable(Colour $roof, Colour $door): array
    {
        $white = self::of(self::WHITE);
        $contrasts = [
            ['roof', $roof->contrast($white)],
            ['door', $door->contrast($white)],
            ['paper', $door->contrast(self::of(self::PAPER))],
        ];

        return array_values(array_filter($contrasts, fn(array $of): bool => $of[1] < Colour::TEXT));
    }

    /** @return array<string, string> by the name of a token, on light ground */
    public function light(): array
    {
        $white = self::of(self::WHITE);
        $black = self::of('#000000');
        $haint = $this->door->mixed($white, 0.86);

        return [
            'eave' => $this->roof->hex(),
            'shutter' => $this->door->hex(),
            'shutter-dark' => $this->roof->mixed($black, 0.28)->hex(),
            'act' => $this->door->towardUntil($black, Colour::TEXT, self::of(self::PAPER), $haint)->hex(),
            'haint' => $haint->hex(),
            'haint-deep' => $this->door->mixed($white, 0.55)->hex(),
        ];
    }

    /** @return array<string, string> by the name of a token, on dark ground */
    public function dark(): array
    {
        $white = self::of(self::WHITE);
        $black = self::of('#000000');
        $night = self::of(self::NIGHT);
        $haint = $this->door->mixed($night, 0.72);

        return [
            'eave' => $this->roof->mixed($black, 0.15)->hex(),
            // Where white can still be read on it: it is 5.1 away from a colour that is 3 away from the card.
            'shutter' => $this->door->towardUntil($white, Colour::EDGE, $night, self::of(self::NIGHT_CARD))->hex(),
            'shutter-dark' => $this->roof->mixed($black, 0.35)->hex(),
            'act' => $this->door->towardUntil($white, 7.0, $night, self::of(self::NIGHT_CARD), $haint)->hex(),
            'haint' => $haint->hex(),
            'haint-deep' => $this->door->mixed($night, 0.4)->hex(),
        ];
    }

    /** @return string a style sheet that comes after app.css */
    public function css(): string
    {
        [$light, $dark] = [self::rules($this->light()), self::rules($this->dark())];

        return ":root{{$light}}:root[data-scheme='dark']{{$dark}}" .
            "@media (prefers-color-scheme:dark){:root[data-scheme='system']{{$dark}}}";
    }

    /** @param  array<string, string>  $tokens */
    private static function rules(array $tokens): string
    {
        $rules = '';
        foreach ($tokens as $name => $value) {
            $rules .= "--color-{$name}:{$value};";
        }

        return $rules;
    }

    private static function of(string $hex): Colour
    {
        return Colour::parse($hex) ?? throw new \LogicException("{$hex} is a colour.");
    }
}
