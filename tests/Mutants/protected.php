<?php

declare(strict_types=1);

/* Files that end with the loan. File, what stands there, what is put instead, the test. */
return [
    [
        'core/Exchange/Lcp/ContentCipher.php',
        'substr($blocks, -self::BLOCK)',
        'substr($blocks, 0, self::BLOCK)',
        'Core.Exchange.LcpTest',
    ],
    ['core/Exchange/Lcp/ContentCipher.php', "deflate_add(\$packer, '', ZLIB_FINISH)", "''", 'Core.Exchange.LcpTest'],
    ['core/Exchange/Lcp/CanonicalJson.php', 'array_is_list($of) ||', 'true ||', 'Core.Exchange.LcpTest'],
    ['core/Exchange/Lcp/CanonicalJson.php', ' | JSON_UNESCAPED_LINE_TERMINATORS', '', 'Core.Exchange.LcpTest'],
    [
        'core/Exchange/Lcp/Signer.php',
        'str_pad($number, self::NUMBER, "\0", STR_PAD_LEFT)',
        '$number',
        'Core.Exchange.LcpTest',
    ],
    ['core/Exchange/Lcp/Signer.php', "unset(\$document['signature']);", '', 'Core.Exchange.LcpTest'],
    ['core/Exchange/Lcp/LicenceDocument.php', 'intdiv($pages + 1, 2)', '$pages', 'Core.Exchange.LcpTest'],
    [
        'core/Exchange/Lcp/LicenceStatus.php',
        '$devices === 0 ? self::Cancelled : self::Returned',
        'self::Returned',
        'Core.Exchange.LcpTest',
    ],
    ['core/Exchange/Lcp/EpubEncryption.php', "['nav', 'cover-image']", "['nav']", 'Core.Exchange.LcpTest'],
    [
        'core/Exchange/Lcp/EpubEncryption.php',
        "\$item->getAttribute('id') === \$cover",
        'false',
        'Core.Exchange.LcpTest',
    ],
    [
        'core/Exchange/Lcp/EpubEncryption.php',
        'foreach (in_array(self::DECLARED_IN, $paths, true) ?',
        'foreach (false ?',
        'ProtectedLoansTest',
    ],
    [
        'core/Exchange/Lcp/EpubEncryption.php',
        'implode(\'/\', array_map(rawurlencode(...), explode(\'/\', (string) $path)))',
        '(string) $path',
        'ProtectedLoansTest',
    ],
    [
        'core/Exchange/Lcp/PackagedManifest.php',
        "'compression' => 'none',",
        "'compression' => 'deflate',",
        'ProtectedLoansTest',
    ],
    ['core/Exchange/Lcp/Passphrase.php', 'mb_stripos($hint, $passphrase) !== false', 'false', 'ProtectedLoansTest'],
    [
        'app/Exchange/Lcp/ProtectLoan.php',
        "'user_key' => \$passphrase->user_key",
        "'user_key' => str_repeat('0', 64)",
        'ProtectedLoansTest',
    ],
    [
        'app/Exchange/Lcp/ProtectLoan.php',
        "->where('sha256', \$loan->title->publication?->sha256)",
        '',
        'ProtectedLoansTest',
    ],
    [
        'app/Exchange/Lcp/ProtectPublication.php',
        "DB::table('protected_files')->insertOrIgnore(\$new->getAttributes());",
        "DB::table('protected_files')->upsert([\$new->getAttributes()], 'sha256');",
        'ProtectedLoansTest',
    ],
    ['app/Exchange/Lcp/NoteLoanEnd.php', "->where('ends_at', '<>', \$end)", '', 'ProtectedLoansTest'],
    [
        'app/Exchange/Lcp/NoteLoanEnd.php',
        "'updated_at' => \$now",
        "'updated_at' => \$of->updated_at",
        'ProtectedLoansTest',
    ],
    ['app/Exchange/Lcp/RegisterDevice.php', '$known->count() >= self::MOST', 'false', 'ProtectedLoansTest'],
    [
        'app/Exchange/Lcp/RegisterDevice.php',
        "(clone \$known)->where('device_id', \$device->id)->exists()",
        'false',
        'ProtectedLoansTest',
    ],
    [
        'app/Exchange/Lcp/LicenceController.php',
        '$protectedLoan->loan->isOpen(now()) || abort(410);',
        '',
        'ProtectedLoansTest',
    ],
    [
        'app/Exchange/Lcp/LicenceController.php',
        '!$protectedLoan->loan->isOpen(now()) =>',
        'false =>',
        'ProtectedLoansTest',
    ],
    ['app/Exchange/Lcp/LicenceController.php', '$wished > $longest', 'false', 'ProtectedLoansTest'],
    [
        'app/Exchange/Lcp/LicenceController.php',
        "\$loan->refresh()->end_reason === 'returned'",
        'true',
        'ProtectedLoansTest',
    ],
    ['app/Exchange/Lcp/PackProtected.php', '$format === Format::Video ? [] :', '', 'ProtectedLoansTest'],
    ['app/Exchange/Lcp/PassphraseController.php', "'not_regex:/^\\s|\\s\$/u',", '', 'ProtectedLoansTest'],
    [
        'app/Exchange/Packages/GiveDownload.php',
        '$right === DownloadRight::Protected && !$this->protectLoan->canBe($loan)',
        'false',
        'ProtectedLoansTest',
    ],
    [
        'app/Account/Privacy/ForgetEndedLoans.php',
        "'update protected_loans p set user_key = null, hint = null from",
        "'update protected_loans p set hint = hint from",
        'ProtectedLoansTest',
    ],
    [
        'app/Account/Privacy/ForgetEndedLoans.php',
        'e set device_id = null, device_name = null',
        'e set kind = e.kind',
        'ProtectedLoansTest',
    ],
];
