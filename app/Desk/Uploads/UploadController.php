<?php

declare(strict_types=1);

namespace App\Desk\Uploads;

use App\Models\StaffMember;
use App\Models\Upload;
use App\Shared\Input;
use Carbon\CarbonImmutable;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Files on their way from a browser: begun, sent part by part, gone on with. */
final class UploadController
{
    public function __construct(private readonly ReceiveUpload $receive) {}

    public function begin(Request $request, #[CurrentUser('staff')] StaffMember $staff): JsonResponse
    {
        $name = Input::text($request, 'name');
        $bytes = filter_var($request->input('bytes'), FILTER_VALIDATE_INT);
        if ($name === '' || !is_int($bytes) || $bytes < 1 || $bytes > ReceiveUpload::MOST_BYTES) {
            $most = (string) (ReceiveUpload::MOST_BYTES / 1_000_000_000);

            return response()->json(['message' => __('files.wrong_size', ['most' => $most])], 422);
        }
        $upload = $this->receive->begin($staff, $name, $bytes, CarbonImmutable::now());

        return $upload === null
            ? response()->json(['message' => __('files.no_room')], 507)
            : response()->json(['id' => $upload->id, 'part' => ReceiveUpload::MOST_OF_PART], 201);
    }

    /** How much of it is there, for one that broke off. */
    public function show(Upload $upload): JsonResponse
    {
        return response()->json(['received' => $upload->received]);
    }

    public function part(Request $request, Upload $upload): JsonResponse
    {
        $at = filter_var($request->query('at'), FILTER_VALIDATE_INT);
        $part = (string) $request->getContent();
        $received =
            is_int($at) && $at >= 0 && strlen($part) <= ReceiveUpload::MOST_OF_PART
                ? $this->receive->part($upload, $at, $part)
                : null;

        return $received === null
            ? response()->json(['received' => $upload->refresh()->received], 409)
            : response()->json(['received' => $received]);
    }
}
