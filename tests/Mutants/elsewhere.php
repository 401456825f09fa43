<?php

declare(strict_types=1);

/* What stands on paper and on the web. File, what stands there, what is put instead, the test. */
return [
    [
        'app/Lending/Holdings/LentHere.php',
        'abort_if($title instanceof Title',
        'abort_if(false && $title instanceof Title',
        'Lending.HoldingsTest',
    ],
    ['app/Lending/Holdings/Elsewhere.php', '$known->open_to !== OpenTo::Everybody', 'false', 'Lending.HoldingsTest'],
    ['app/Lending/Holdings/WebsiteController.php', '$isGood ||', 'true ||', 'Lending.HoldingsTest'],
    [
        'app/Lending/Holdings/WebsiteController.php',
        '[CardValidity::Good, CardValidity::EndsSoon]',
        'CardValidity::cases()',
        'Lending.HoldingsTest',
    ],
    [
        'app/Lending/Holdings/StandsElsewhere.php',
        "where('consortium_id', \$library->consortium_id)",
        "where('id', \$library->id)",
        'Lending.HoldingsTest',
    ],
    [
        'app/Lending/LoanRules/CardEligibility.php',
        '$this->older, lentOnly: true)',
        '$this->older)',
        'Lending.HoldingsTest',
    ],
    ['app/Exchange/Counter/CountsUse.php', '&& $title->format->isLent() =>', '=>', 'Lending.HoldingsTest'],
    [
        'app/Catalogue/Citations/CitableTitles.php',
        '$websites[$id] ?? $address($id)',
        '$address($id)',
        'Lending.HoldingsTest',
    ],
    [
        'app/Catalogue/Filters/OpensHereFilter.php',
        'return self::lent()->bitmap($index, $can);',
        "return \$index->every('all:');",
        'BitmapSearchTest',
    ],
    [
        'app/Catalogue/BitmapSearch/BitmapSearch.php',
        'TitlesForCard::of($gathering, $eligibility->listed())',
        'null',
        'BitmapSearchTest',
    ],
    ['app/Exchange/Links/LookAtLinks.php', '$reached || count($hosts) < self::CUT_OFF', 'true', 'LinksTest'],
    [
        'app/Exchange/Links/LookAtLinks.php',
        'where turn <= ? order by turn, ask_at, address limit ?',
        'where turn <= ? + 999 order by ask_at, address limit ?',
        'LinksTest',
    ],
    ['app/Exchange/Links/LookAtLinks.php', '$link->dead_at ?? $at', '$at', 'LinksTest'],
    ['app/Exchange/Links/LookAtAddress.php', "throw new RuntimeException('That is enough.');", '', 'LinksTest'],
    [
        'app/Exchange/Links/LookAtAddress.php',
        'return $closed->isInside ? Trouble::Inside : Trouble::NoHost;',
        'return Trouble::NoHost;',
        'LinksTest',
    ],
    ['app/Exchange/Links/LookAtAddress.php', 'in_array($answer->status(), [301, 308], true)', 'true', 'LinksTest'],
    [
        'app/Exchange/LibrarySystem/HoldingsNow.php',
        'Cache::put("copies:{$library->id}:silent", true, self::KNOWN_SECONDS)',
        'null',
        'LibrarySystemTest',
    ],
    ['app/Exchange/LibrarySystem/HoldingsNow.php', 'if ($slot !== null) {', 'if (true) {', 'LibrarySystemTest'],
    ['core/Exchange/Sip2/ItemAnswer.php', "if (\$message->field('AB') !== \$number) {", 'if (false) {', 'Sip2Test'],
    ['core/Exchange/Links/LinkState.php', '$tries === self::TRIES', '$tries > self::TRIES', 'LinkStateTest'],
    ['core/Exchange/Marc/MarcElsewhere.php', "|| \$field->second === '2'", '', 'ElsewhereRecordsTest'],
    [
        'core/Exchange/Marc/MarcElsewhere.php',
        "!self::isOnline(\$of) &&\n            (preg_grep('/^n/'",
        "(preg_grep('/^n/'",
        'ElsewhereRecordsTest',
    ],
    [
        'app/Lending/Holdings/KeepElsewhere.php',
        '->reject(fn(Holding $is): bool => self::names($shelves[$is->title_id], $is->value()))',
        '->take(0)',
        'ElsewhereRecordsTest',
    ],
    ['app/Desk/Records/EditableTitles.php', 'order by id limit 1)', 'order by id desc limit 1)', 'Desk.ElsewhereTest'],
    [
        'app/Desk/RecordImport/ReadRecordImport.php',
        '$isTheirs ? array_values(array_intersect($of->fields, self::ELSEWHERE)) : $of->fields',
        '$of->fields',
        'Desk.ElsewhereTest',
    ],
    ['app/Desk/Holdings/HoldingPolicy.php', '$of->library_id === $staff->library_id', 'true', 'Desk.ElsewhereTest'],
    ['app/Desk/Holdings/ChangeElsewhere.php', '$before?->delete();', '', 'Desk.ElsewhereTest'],
    ['app/Desk/Today/NeedsHands.php', "->whereNotNull('dead_at')->count()", '->count()', 'Desk.ElsewhereTest'],
];
