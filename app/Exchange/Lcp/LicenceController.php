<?php

declare(strict_types=1);

namespace App\Exchange\Lcp;

use App\Exchange\Opds\AnswerApps;
use App\Exchange\Opds\Edition;
use App\Lending\Borrowing\RefusalText;
use App\Lending\Loans\RenewLoan;
use App\Lending\Loans\ReturnLoan;
use App\Models\ProtectedLoan;
use App\Shared\FileDelivery;
use App\Shared\Input;
use Carbon\CarbonImmutable;
use DateTimeImmutable;
use Exception;
use FigPorch\Core\Exchange\Lcp\StatusDocument;
use FigPorch\Core\Lending\Refused;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * What applications ask of a licence (LCP 1.0, LSD 1.0), by an address that only those know who have it. Refusals are
 * problem details of the types that the standard names.
 */
final class LicenceController
{
    private const PROBLEMS = 'http://readium.org/license-status-document/error/';

    public function __construct(private readonly StatusOfLoan $statusOf) {}

    public function licence(string $library, ProtectedLoan $protectedLoan, LicenceOfLoan $licence): Response
    {
        $protectedLoan->user_key !== null || abort(410);

        return $licence->answer($protectedLoan, CarbonImmutable::now());
    }

    /** The encrypted file, which opens with the licence alone. */
    public function publication(string $library, ProtectedLoan $protectedLoan, FileDelivery $delivery): Response
    {
        $protectedLoan->loan->isOpen(now()) || abort(410);
        $protectedLoan->file->isThere() || abort(404);

        return $delivery->send((string) $protectedLoan->file->path, PackProtected::typeOf($protectedLoan->file));
    }

    public function status(string $library, ProtectedLoan $protectedLoan): Response
    {
        $answer = Edition::json(
            ($this->statusOf)($protectedLoan, CarbonImmutable::now())->document(),
            StatusDocument::TYPE,
        );
        $answer->headers->set('Cache-Control', 'private, no-store');

        return $answer;
    }

    public function register(
        Request $request,
        string $library,
        ProtectedLoan $protectedLoan,
        RegisterDevice $registerDevice,
    ): Response {
        $device = Device::of($request);

        return match (true) {
            $device === null => self::refused(400, 'registration', __('lcp.no_device')),
            !$protectedLoan->loan->isOpen(now()) => self::refused(400, 'registration', __('lcp.over')),
            !$registerDevice($protectedLoan, $device, now()) => self::refused(
                400,
                'registration',
                __('lcp.devices_enough', ['most' => RegisterDevice::MOST]),
            ),
            default => $this->status($library, $protectedLoan),
        };
    }

    public function renew(
        Request $request,
        string $library,
        ProtectedLoan $protectedLoan,
        RenewLoan $renewLoan,
        NoteLoanEnd $note,
    ): Response {
        $now = CarbonImmutable::now();
        $loan = $protectedLoan->loan;
        if (!$loan->isOpen($now)) {
            return self::refused(400, 'renew', __('lcp.over'));
        }
        // An application may wish for a day: refused where no renewal lasts that long, else a whole renewal is given.
        $wished = self::moment(Input::text($request, 'end'));
        $longest = $this->statusOf->longest($loan, $now);
        if ($wished === false || ($wished !== null && $longest !== null && $wished > $longest)) {
            return self::refused(403, 'renew/date', __('lcp.renew_date'));
        }
        $outcome = $renewLoan($loan, null, $now);
        if ($outcome instanceof Refused) {
            return self::refused(400, 'renew', RefusalText::of($outcome, $protectedLoan->library));
        }
        $note($protectedLoan, $now, Device::of($request));

        return $this->status($library, $protectedLoan);
    }

    public function return(
        Request $request,
        string $library,
        ProtectedLoan $protectedLoan,
        ReturnLoan $returnLoan,
        NoteLoanEnd $note,
    ): Response {
        $now = CarbonImmutable::now();
        $loan = $protectedLoan->loan;
        if ($loan->isOpen($now) && $returnLoan($loan->id, $now)) {
            $note($protectedLoan, $now, Device::of($request));

            return $this->status($library, $protectedLoan);
        }

        return self::refused(
            403,
            $loan->refresh()->end_reason === 'returned' ? 'return/already' : 'return/expired',
            __('lcp.over'),
        );
    }

    /** @return DateTimeImmutable|false|null null where nothing is said, false where it is no moment */
    private static function moment(string $text): DateTimeImmutable|false|null
    {
        try {
            return match (true) {
                $text === '' => null,
                preg_match('/^\d{4}-\d\d-\d\d(T\d\d:\d\d|$)/', $text) === 1 => new DateTimeImmutable($text),
                default => false,
            };
        } catch (Exception) {
            return false;
        }
    }

    private static function refused(int $status, string $type, string $detail): Response
    {
        return AnswerApps::problem($status, $detail, type: self::PROBLEMS . $type);
    }
}
