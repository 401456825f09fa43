<?php

declare(strict_types=1);

/* Exchange: the catalogue for reading applications. File, what stands there, what is put instead, the test. */
return [
    ['routes/opds.php', "SignInOfApp::class . ':needed'", 'SignInOfApp::class', 'CatalogueFeedsTest'],
    [
        'routes/opds.php',
        "->name('return')\n                ->can('own', 'loan')",
        "->name('return')",
        'CatalogueFeedsTest',
    ],
    [
        'routes/opds.php',
        "->name('file')\n                ->can('own', 'loan')\n                ->middleware([RequireOpenLoan::class, ",
        "->name('file')\n                ->can('own', 'loan')\n                ->middleware([",
        'CatalogueFeedsTest',
    ],
    ['app/Exchange/Opds/OwnFeedController.php', '!$loan->licence->rights()->download', 'false', 'CatalogueFeedsTest'],
    ['app/Exchange/Opds/OwnFeedController.php', "\$request->isMethod('HEAD') && abort(405);", '', 'CatalogueFeedsTest'],
    [
        'app/Exchange/Opds/SignInOfApp.php',
        'if ($this->current->card() === null) {',
        'if (false) {',
        'CatalogueFeedsTest',
    ],
    ['app/Exchange/Opds/Publications.php', '$standing->aboveCard || (', '(', 'CatalogueFeedsTest'],
    ['app/Account/Devices/AppTokens.php', "'app:' . hash('sha256', \$token)", '$token', 'CatalogueFeedsTest'],
    [
        'app/Account/Devices/AppTokens.php',
        '$session->last_activity <= $now->getTimestamp() - Stay::Long->idleSeconds()',
        'false',
        'CatalogueFeedsTest',
    ],
    [
        'app/Desk/Records/EditRecord.php',
        'RecordText::of(RecordOfTitle::of(Title::query()->findOrFail($title->id)));',
        'RecordText::of($new);',
        'RecordsTest',
    ],
    [
        'core/Exchange/Opds/Out/FeedAsAtom.php',
        '$this->xml->text(self::clean($text));',
        '$this->xml->text($text);',
        'CatalogueFeedsTest',
    ],
    [
        'app/Desk/RecordImport/ReadRecordImport.php',
        "\$of->outcome === 'changed' && !in_array(\$of->titleId, \$own, true)",
        'false',
        'RecordImportTest',
    ],
    [
        'app/Desk/RecordImport/TakeRecordFile.php',
        "->whereIn('outcome', \$asTitle ? ['doubtful'] : ['new', 'changed', 'doubtful'])",
        '',
        'RecordImportTest',
    ],
    [
        'app/Desk/RecordImport/ApplyRecordImport.php',
        "(\$now->outcome === 'doubtful' && \$row->outcome === 'new')",
        'false',
        'RecordImportTest',
    ],
    ['app/Exchange/Records/CompareRecords.php', '$title->edited_fields ?? []', '[]', 'App.Exchange.RecordsTest'],
    [
        'app/Exchange/Records/CompareRecords.php',
        '$title->format !== $record->format',
        'false',
        'App.Exchange.RecordsTest',
    ],
    ['app/Exchange/Records/ImportRecords.php', '$title?->publication !== null', 'false', 'App.Exchange.RecordsTest'],
    ['core/Exchange/XmlElements.php', '&& libxml_get_errors() === []', '', 'App.Exchange.RecordsTest'],
    ['core/Exchange/Marc/MarcXml.php', 'is_string($composed) ? $composed : $text', '$text', 'App.Exchange.RecordsTest'],
    ['app/Desk/Records/EditableTitles.php', 'and r.made', 'and r.done', 'RecordImportTest'],
    [
        'app/Exchange/Opds/Publications.php',
        '$hold?->card_id === $this->current->card()?->id',
        'true',
        'CatalogueFeedsTest',
    ],
    ['core/Exchange/XmlElements.php', "str_contains(\$reader->readOuterXml(), '<!ENTITY')", 'false', 'OnixTest'],
];
