<?php

declare(strict_types=1);

namespace App\Shared;

use Illuminate\Translation\Translator;

/**
 * The framework's translator, with what it does for each of a page's hundreds of sentences done once, or only where it
 * is needed.
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

    /**
     * The framework makes each value ready in capitals as well; here no sentence has a place for that.
     *
     * @param  string  $line
     * @param  array<string, mixed>  $replace
     */
    protected function makeReplacements($line, array $replace): string
    {
        $values = [];
        foreach ($replace as $key => $value) {
            if (is_object($value)) {
                return parent::makeReplacements($line, $replace);
            }
            $values[":{$key}"] = (string) $value;
        }

        return preg_match('/:\p{Lu}/u', $line) === 1
            ? parent::makeReplacements($line, $replace)
            : strtr($line, $values);
    }
}
