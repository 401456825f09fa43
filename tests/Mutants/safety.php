<?php

declare(strict_types=1);

/* What keeps attacks, faults and the curious out. As in lending.php. */
return [
    [
        'app/Exchange/Supplier/ReadSupplier.php',
        '$heldBack = $missing > self::MAY_BE_GONE *',
        '$heldBack = $missing < 0 *',
        'SupplierTest',
    ],
    ['app/Exchange/Supplier/ReadSupplier.php', 'isset($seen[$next])', 'false && isset($seen[$next])', 'SupplierTest'],
    ['app/Exchange/Supplier/TakeReading.php', '|| $last->id !== $reading', '', 'SupplierTest'],
    [
        'app/Exchange/Supplier/FetchFeed.php',
        'self::origin($next) !== self::origin($from) ||',
        'false ||',
        'SupplierTest',
    ],
    [
        'app/Exchange/Supplier/FetchFeed.php',
        'return $bytes > self::MOST_BYTES ? 0 :',
        'return false ? 0 :',
        'SupplierTest',
    ],
    ['app/Exchange/Supplier/FetchFeed.php', 'InternetAddress::isPublic($ip)', 'true', 'SupplierTest'],
    ['app/Exchange/Outbound/BoundHost.php', "'allow_redirects' => false,", '', 'SupplierTest'],
    [
        'core/Catalogue/Record.php',
        "array_slice(\$contributors, 0, self::MOST['contributors'])",
        '$contributors',
        'SupplierTest',
    ],
    ['core/Catalogue/SeriesPosition.php', '&& abs((float) $written) < self::MOST', '', 'test_a_position_that'],
    ['core/Reading/Archive.php', '        $this->refuseFilesInTheWay();', '', 'test_bad_files_are_refused'],
    ['core/Reading/Archive.php', 'count($names) <= self::DEEPEST &&', '', 'test_bad_files_are_refused'],
    [
        'core/Reading/Archive.php',
        'self::MOST_EXPANSION_OF_ALL * (int)',
        '1000 * self::MOST_EXPANSION_OF_ALL * (int)',
        'test_bad_files_are_refused',
    ],
    [
        'app/Reading/Publications/ImportPublication.php',
        "DB::select('select pg_advisory_lock(hashtextextended(?, 5))', [\$sha256]);",
        '',
        'test_imports_of_one_book',
    ],
    [
        'app/Reading/Publications/TidyCommand.php',
        'filemtime($path) < time()',
        'filemtime($path) < 2 * time()',
        'test_what_an_import_left',
    ],
    [
        'app/Reading/Pages/PageController.php',
        '$this->taken($loan, $publication, $page, $page) || abort(404);',
        '',
        'PdfTest',
    ],
    ['app/Shared/Middleware/HalfOfWorkers.php', 'if ($place === null) {', 'if (false) {', 'FaultsTest'],
    ['app/Shared/WorkSlots.php', 'pg_advisory_unlock(', 'pg_try_advisory_lock(', 'FaultsTest'],
    ['app/Shared/FailedJobs.php', '$exception instanceof \PDOException', 'false', 'FaultsTest'],
    [
        'app/Shared/AtomicMigrator.php',
        'DB::connection($this->connection)->transaction(fn() => parent::runUp($file, $batch, $pretend));',
        'parent::runUp($file, $batch, $pretend);',
        'DatabaseTest',
    ],
    ['app/Shared/Middleware/VisitorsLanguage.php', 'self::chosen($request) ??', '', 'FaultsTest'],
    [
        'app/Account/Privacy/ForgetEndedLoans.php',
        'DB::update(self::NOTICES, array_fill(0, 4, $before));',
        '',
        'TermsTest',
    ],
    [
        'app/Account/Privacy/ForgetEndedLoans.php',
        'where not p.keeps_history and l.ended_at <= ?',
        'where l.ended_at <= ?',
        'TermsTest',
    ],
    [
        'app/Account/Privacy/Terms.php',
        '(read_at <= ? or created_at <= ?) and not (n.kind',
        '(read_at <= ? or created_at <= ?) and (true or n.kind',
        'TermsTest',
    ],
    ['app/Account/Privacy/Terms.php', "where state <> 'open' and card_id", 'where card_id', 'TermsTest'],
    ['app/Account/SignIn/SignIn.php', '$wrong === (int)', '$wrong > (int)', 'SignInTest'],
    [
        'app/Account/SignIn/SessionLimit.php',
        '> self::SHARED_SECONDS)',
        '> 99 * self::SHARED_SECONDS)',
        'SessionLimitTest',
    ],
    [
        'app/Account/SignIn/SessionLimit.php',
        '> self::DAYS_IN_ALL * 86400',
        '> 99 * self::DAYS_IN_ALL * 86400',
        'SessionLimitTest',
    ],
    [
        'app/Lending/Audit/LendingAudit.php',
        'where mailed_at is null and mail_begun_at between',
        'where false and mail_begun_at between',
        'FaultsTest',
    ],
];
