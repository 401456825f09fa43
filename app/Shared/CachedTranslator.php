<?php

declare(strict_types=1);

namespace App\Shared;

use Illuminate\Translation\Translator;

/**
 * The framework's translator, which works out the order of languages once and not for each of a page's hundreds of
 * sentences.
 */
final class CachedTranslator extends Translator
{
    /** @var array<string, list<string>> */
    private array $order = [];

    public static function of(Translator $translator): self
    {
        $sentences = new self($translator->getLoader(), $translator->getLocale());
        $sentences->setFallback($translator->getFallback());

        return $sentences;
    }

    /**
     * @param  string|null  $locale
     * @return list<string>
     */
    protected function localeArray($locale): array
    {
        return $this->order[$locale ?? $this->locale] ??= array_values(parent::localeArray($locale));
    }
}
