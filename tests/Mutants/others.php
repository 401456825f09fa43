<?php

declare(strict_types=1);

/* The other areas. As in lending.php. */
return [
    [
        'core/Catalogue/Audience.php',
        '$this->rank() >= $other->rank()',
        '$this->rank() > $other->rank()',
        'test_audiences_cover',
    ],
    ['core/Catalogue/Isbn.php', '($i % 2 === 0 ? 1 : 3)', '($i % 2 === 0 ? 3 : 1)', 'IsbnTest'],
    ['core/Catalogue/Isbn.php', "\$check === 10 ? 'X'", "\$check === 11 ? 'X'", 'IsbnTest'],
    ['core/Reading/PageAllowance.php', 'count(array_unique($this->taken))', 'count($this->taken) + 1', 'PagesTest'],
    ['core/Reading/PageAllowance.php', '<= $this->left()', '< $this->left()', 'PagesTest|PrintTest'],
    ['core/Desk/LineChange.php', '$left < 0', '$left < -1', 'LineChangeTest'],
    [
        'core/Desk/LineChange.php',
        'array_slice($state->readyUntil, 0, $left)',
        'array_slice($state->readyUntil, -$left)',
        'LineChangeTest',
    ],
    ['core/Desk/LineChange.php', 'min($until, $at)', '$until', 'LineChangeTest'],
    ['core/Exchange/Push/Endpoint.php', "(\$parts['scheme'] ?? '') === 'https' &&", '', 'EndpointTest'],
    ['core/Exchange/Push/Endpoint.php', "!isset(\$parts['user']) &&", '', 'EndpointTest'],
    [
        'core/Exchange/Push/Endpoint.php',
        'FILTER_FLAG_NO_PRIV_RANGE | FILTER_FLAG_NO_RES_RANGE',
        'FILTER_FLAG_NO_RES_RANGE',
        'EndpointTest',
    ],
    ['app/Catalogue/Search/SearchSql.php', '? "{$can} & 1 <> 1"', '? "{$can} & 1 <> 0"', 'ReachTest'],
    [
        'app/Catalogue/Search/SqlEngine.php',
        '"not s.stems @@ {$names->sql}"',
        '"true or not s.stems @@ {$names->sql}"',
        'ReachTest|SearchTest',
    ],
    [
        'app/Catalogue/BitmapSearch/BitmapSearch.php',
        '$within->or($unsure)->without($changed)',
        '$within->or($unsure)',
        'BitmapSearchTest',
    ],
    [
        'app/Catalogue/BitmapSearch/BitmapSearch.php',
        'self::beyond($gathering, $search)->without($held)',
        'self::beyond($gathering, $search)',
        'BitmapSearchTest',
    ],
    [
        'app/Catalogue/BitmapSearch/BitmapResult.php',
        '$filter === $but ? $matching : $matching->and($set)',
        '$matching->and($set)',
        'BitmapSearchTest',
    ],
    ['app/Catalogue/Baskets/ArrangeBaskets.php', 'in_array($basket->id, $above, true) ||', 'false ||', 'BasketTest'],
    [
        'app/Catalogue/Baskets/ArrangeBaskets.php',
        '$owner->baskets()->count() >= self::MOST ||',
        'false ||',
        'BasketTest',
    ],
    [
        'app/Catalogue/SavedSearches/KeepSearch.php',
        '$others->count() >= self::MOST',
        '$others->count() > self::MOST',
        'SavedSearchTest',
    ],
    ['app/Exchange/Push/AddDevice.php', '!== self::SECRET', '< 0', 'PushTest'],
    [
        'database/functions/account/notices_give.sql',
        'where shown or mailed or devices',
        'where true or devices',
        'NoticeTest',
    ],
    [
        'database/functions/catalogue/search_availability.sql',
        ' and k.left_over and k.starts_at <= p_now',
        '',
        'ReachTest',
    ],
    [
        'resources/js/reading/places/positions.js',
        'Math.min(1, Math.max(0, progression))',
        'progression',
        'tests/Scripts/places.test.mjs',
    ],
    [
        'resources/js/reading/places/positions.js',
        'start => start < position',
        'start => start <= position',
        'tests/Scripts/places.test.mjs',
    ],
    [
        'resources/js/reading/places/positions.js',
        ': this.list.findIndex(([path]) => path === id)',
        ': section',
        'tests/Scripts/places.test.mjs',
    ],
    ['resources/js/reading/places/pace.js', 'now - last.now > LONGEST', 'false', 'tests/Scripts/places.test.mjs'],
    [
        'resources/js/reading/places/pace.js',
        '/ minutes > STANDARD * 10',
        '/ minutes > STANDARD * 1e9',
        'tests/Scripts/places.test.mjs',
    ],
    ['resources/js/reading/places/pace.js', 'at <= last.at ||', '', 'tests/Scripts/places.test.mjs'],
    [
        'resources/js/reading/player/timeline.js',
        'start => start <= whole',
        'start => start < whole',
        'tests/Scripts/timeline.test.mjs',
    ],
    ['resources/js/reading/player/timeline.js', 's >= 3600', 's > 3600', 'tests/Scripts/timeline.test.mjs'],
];
