<?php

declare(strict_types=1);

namespace App\Reading\Prepared;

use App\Models\Loan;
use App\Models\PreparedFile;
use Illuminate\Http\Request;
use Illuminate\View\View;
use Symfony\Component\HttpFoundation\Response;

/** A file that is being made of a loan: how far it is, and the file itself. */
final class PreparedFileController
{
    public function show(Request $request, Loan $loan, PreparedFile $preparedFile): View
    {
        return view($request->hasHeader('HX-Request') ? 'reading.prepared.state' : 'reading.prepared.prepared', [
            'loan' => $loan->load('title'),
            'file' => $preparedFile,
            'ahead' => PreparedFile::query()
                ->whereNull('ready_at')
                ->whereNull('failed_at')
                ->where('id', '<', $preparedFile->id)
                ->count(),
        ]);
    }

    public function again(Loan $loan, PreparedFile $preparedFile, GiveFile $give): Response
    {
        return $give($loan, $preparedFile->kind);
    }

    public function file(Loan $loan, PreparedFile $preparedFile, GiveFile $give): Response
    {
        return $give->send($loan, $preparedFile);
    }
}
